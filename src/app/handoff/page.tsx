'use client';

import dynamic from 'next/dynamic';

// The set card stands first; the work comes in beside it.
const Page = dynamic(() => import('#features/handoff/HandoffView.tsx').then((part) => part.HandoffView));

export default Page;
