'use client';

import dynamic from 'next/dynamic';

// The set card stands first; the work comes in beside it.
const Page = dynamic(() => import('#features/plan/PlanView.tsx').then((part) => part.PlanView));

export default Page;
