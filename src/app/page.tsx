'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { lastPath } from '#ui/bench/lastPlace.ts';
import { STEPS } from '#ui/shell/steps.ts';

/** Opens the step of the work that was open last. */
const Page = () => {
  const router = useRouter();
  useEffect(() => {
    const path = lastPath();
    router.replace(STEPS.some((step) => step.path === path) ? path : '/plan');
  }, [router]);
  return null;
};

export default Page;
