import {
  Aperture,
  Camera,
  ClipboardList,
  Combine,
  Eye,
  GraduationCap,
  Palette,
  Send,
  type LucideIcon,
} from 'lucide-react';
import { words } from '#ui/wording/shell.ts';

export type Step = {
  readonly key: string;
  readonly name: string;
  readonly path: string;
  readonly icon: LucideIcon;
};

/** The order of work; it is also the navigation. */
export const STEPS: readonly Step[] = [
  { key: '1', name: words.kit, path: '/kit', icon: Camera },
  { key: '2', name: words.plan, path: '/plan', icon: Aperture },
  { key: '3', name: words.judge, path: '/judge', icon: Eye },
  { key: '4', name: words.log, path: '/log', icon: ClipboardList },
  { key: '5', name: 'LUTs', path: '/luts', icon: Palette },
  { key: '6', name: words.match, path: '/match', icon: Combine },
  { key: '7', name: words.handOff, path: '/handoff', icon: Send },
  { key: '8', name: words.practise, path: '/practise', icon: GraduationCap },
];
