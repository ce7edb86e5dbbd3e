'use client';

import { later } from '#ui/later.tsx';

// The set card stands first; the work comes in beside it.
const Page = later(() => import('#features/kit/KitView.tsx').then((part) => part.KitView));

export default Page;
