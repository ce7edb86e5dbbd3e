'use client';

import { later } from '#ui/later.tsx';

// The set card stands first; the work comes in beside it.
const Page = later(() => import('#features/log/LogView.tsx').then((part) => part.LogView));

export default Page;
