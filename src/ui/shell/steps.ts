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

export type Step = {
  readonly key: string;
  readonly name: string;
  readonly path: string;
  readonly icon: LucideIcon;
  /** Not built yet: stands in the order of work, leads nowhere. */
  readonly later?: boolean;
};

/** The order of work; it is also the navigation. */
export const STEPS: readonly Step[] = [
  { key: '1', name: 'Kit', path: '/kit', icon: Camera },
  { key: '2', name: 'Plan', path: '/plan', icon: Aperture },
  { key: '3', name: 'Judge', path: '/judge', icon: Eye },
  { key: '4', name: 'Log', path: '/log', icon: ClipboardList },
  { key: '5', name: 'LUTs', path: '/luts', icon: Palette },
  { key: '6', name: 'Match', path: '/match', icon: Combine, later: true },
  { key: '7', name: 'Hand-off', path: '/handoff', icon: Send },
  { key: '8', name: 'Practise', path: '/practise', icon: GraduationCap, later: true },
];
