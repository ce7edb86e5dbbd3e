'use client';

import dynamic from 'next/dynamic';

// The set card stands first; the work comes in beside it.
const Page = dynamic(() => import('#features/judge/JudgeView.tsx').then((part) => part.JudgeView));

export default Page;
