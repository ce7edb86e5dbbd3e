'use client';

import { later } from '#ui/later.tsx';

// The set card stands first; the work comes in beside it.
const Page = later(() => import('#features/practise/PractiseView.tsx').then((part) => part.PractiseView));

export default Page;
