'use client';

import { laterScreen } from '#ui/later.tsx';

// The set card stands first; the work comes in beside it.
const Page = laterScreen(() => import('#features/log/LogView.tsx').then((part) => part.LogView));

export default Page;
