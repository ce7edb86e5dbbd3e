import type { Dial } from '#core/colour/lean.ts';
import type { Drift, DriftKind, RoomPatch } from '#core/room/drift.ts';
import type { EveningFault } from '#core/room/evening.ts';
import type { Minute } from '#core/room/history.ts';
import type { InputState } from '#core/room/liveness.ts';
import type { Result } from '#core/result.ts';
import type { FrameCoding } from '#workers/judge/protocol.ts';
import type { RoomDrawing, RoomReading, RoomSource } from '#workers/room/protocol.ts';
import type { Evening } from './roomBox.ts';

/** Where pictures come from, and how they are had again when they stopped. */
export type InputSource = {
  readonly kind: RoomSource['kind'];
  readonly name: string;
  readonly open: () => Promise<
    Result<{
      readonly source: RoomSource;
      readonly transfer: readonly Transferable[];
      readonly end?: () => void;
    }>
  >;
};

/** An input as the page shows it, some times a second; its pictures go straight onto their canvases. */
export type InputOnBench = {
  readonly kind: RoomSource['kind'];
  readonly name: string;
  readonly state: InputState;
  /** Why it gives none. */
  readonly problem?: string;
  readonly coding?: FrameCoding;
  readonly under: number;
  readonly clipped: number;
  readonly at: number;
  /** Pictures a second, of the last seconds; taken and left out since it runs. */
  readonly rate: number;
  readonly shown: number;
  readonly dropped: number;
  /** The marks over the last pictures; undefined until there are enough of them. */
  readonly patches?: readonly RoomPatch[];
  readonly drift: Drift;
  readonly told: readonly DriftKind[];
  readonly minutes: readonly Minute[];
  readonly faults: readonly EveningFault[];
};

export type RoomBenchState = {
  readonly inputs: Readonly<Record<string, InputOnBench>>;
  readonly evening: Evening;
  /** Alarms that were looked at: `hall-1 light`. */
  readonly seen: readonly string[];
};

/** What the page wants of an input's pictures; told with every one. */
export type Asked = {
  /** Where its camera looks. */
  readonly positionId: string;
  readonly reading: RoomReading;
  readonly drawing: RoomDrawing;
  readonly dial: Dial;
};

/** An input whose pictures have not come yet. */
export const newInput = ({ kind, name }: InputSource): InputOnBench => ({
  kind,
  name,
  state: 'waiting',
  at: 0,
  under: 0,
  clipped: 0,
  rate: 0,
  shown: 0,
  dropped: 0,
  drift: {},
  told: [],
  minutes: [],
  faults: [],
});

export const alarmKey = (inputId: string, kind: DriftKind): string => `${inputId} ${kind}`;
