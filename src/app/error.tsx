'use client';

import { useSearchParams } from 'next/navigation';
import { useEffect, useRef, type ComponentProps } from 'react';
import { Stopped } from '#ui/shell/Stopped.tsx';

/** What stopped is tried again with another set-up, camera or part: an error does not outlive what it came from. */
const StoppedHere = (props: ComponentProps<typeof Stopped>) => {
  const { reset } = props;
  const asked = useSearchParams().toString();
  const stoppedAt = useRef(asked);
  useEffect(() => {
    if (asked !== stoppedAt.current) reset();
  }, [asked, reset]);
  return <Stopped {...props} />;
};

export default StoppedHere;
