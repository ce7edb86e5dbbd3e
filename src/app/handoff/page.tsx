'use client';

import { laterScreen } from '#ui/later.tsx';

// The set card stands first; the work comes in beside it.
const Page = laterScreen(() => import('#features/handoff/HandoffView.tsx').then((part) => part.HandoffView));

export default Page;
