'use client';

import dynamic from 'next/dynamic';

// The set card stands first; the work comes in beside it.
const Page = dynamic(() => import('#features/log/LogView.tsx').then((part) => part.LogView));

export default Page;
