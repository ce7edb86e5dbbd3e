'use client';

import dynamic from 'next/dynamic';

// The set card stands first; the work comes in beside it.
const Page = dynamic(() => import('#features/kit/KitView.tsx').then((part) => part.KitView));

export default Page;
