'use client';

import { Stopped } from '#ui/shell/Stopped.tsx';

export default Stopped;
