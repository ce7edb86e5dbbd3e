'use client';

import { later } from '#ui/later.tsx';

// The set card stands first; the work comes in beside it.
const Page = later(() => import('#features/judge/JudgeView.tsx').then((part) => part.JudgeView));

export default Page;
