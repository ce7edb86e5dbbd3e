'use client';

import dynamic from 'next/dynamic';

// The set card stands first; the work comes in beside it.
const Page = dynamic(() => import('#features/luts/LutsView.tsx').then((part) => part.LutsView));

export default Page;
