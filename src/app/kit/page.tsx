'use client';

import { laterScreen } from '#ui/later.tsx';

// The set card stands first; the work comes in beside it.
const Page = laterScreen(() => import('#features/kit/KitView.tsx').then((part) => part.KitView));

export default Page;
