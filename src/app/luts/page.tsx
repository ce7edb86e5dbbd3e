'use client';

import { later } from '#ui/later.tsx';

// The set card stands first; the work comes in beside it.
const Page = later(() => import('#features/luts/LutsView.tsx').then((part) => part.LutsView));

export default Page;
