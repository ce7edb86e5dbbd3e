'use client';

import { later } from '#ui/later.tsx';

// The set card stands first; the work comes in beside it.
const Page = later(() => import('#features/handoff/HandoffView.tsx').then((part) => part.HandoffView));

export default Page;
