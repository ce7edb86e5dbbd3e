/** `scene`: linear side is scene light. `display`: linear side is light leaving the display. */
type Reference = 'scene' | 'display';

/**
 * A transfer function is a pair. Both directions are unclamped unless `domain` says otherwise:
 * values outside it are extended as the docblock of the function says.
 */
export type TransferFunction = {
  /** Linear light to signal. */
  readonly encode: (linear: number) => number;
  /** Signal to linear light. */
  readonly decode: (signal: number) => number;
};

export type TransferDefinition = TransferFunction & {
  readonly id: string;
  readonly name: string;
  readonly reference: Reference;
  /** What linear 1.0 is. */
  readonly unit: string;
  /** Linear interval over which encode and decode are inverses. */
  readonly domain: readonly [number, number];
  /** Standard and clause. */
  readonly source: string;
};
