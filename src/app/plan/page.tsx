'use client';

import { later } from '#ui/later.tsx';

// The set card stands first; the work comes in beside it.
const Page = later(() => import('#features/plan/PlanView.tsx').then((part) => part.PlanView));

export default Page;
