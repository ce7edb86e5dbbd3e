'use client';

import { later } from '#ui/later.tsx';

// The set card stands first; the work comes in beside it.
const Page = later(() => import('#features/match/MatchView.tsx').then((part) => part.MatchView));

export default Page;
