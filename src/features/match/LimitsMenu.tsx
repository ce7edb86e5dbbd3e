'use client';

import Button from 'react-bootstrap/Button';
import { MATCH_LIMITS, type MatchLimits } from '#core/match/verdict.ts';
import { between } from '#store/records/common.ts';
import { useBench, useSelection } from '#ui/bench/hooks.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import { Popup } from '#ui/parts/Popup.tsx';
import { words } from '#ui/wording/match.ts';

const RULES = {
  deltaE: { schema: between(0, 100), says: words.typeDeltaE },
  stops: { schema: between(0, 10), says: words.typeStops },
} as const;
const FIELDS = [
  ['together', 'deltaE', words.togetherDeltaE],
  ['together', 'stops', words.togetherStops],
  ['seen', 'deltaE', words.seenDeltaE],
  ['seen', 'stops', words.seenStops],
] as const;
const STEPS = { deltaE: 0.5, stops: 1 / 12 } as const;

/** The limits of the shoot's verdicts: ours, or as they were moved. */
export const useMatchLimits = (): MatchLimits => useSelection().shoot.matchLimits ?? MATCH_LIMITS;

/** Where the verdicts change; kept with the shoot. */
export const LimitsMenu = () => {
  const { book } = useBench();
  const { shoot } = useSelection();
  const limits = useMatchLimits();
  const set = (matchLimits: MatchLimits | undefined) =>
    void book.edit({
      label: 'Limits of a match',
      changes: [{ table: 'shoots', id: shoot.id, before: shoot, after: { ...shoot, matchLimits } }],
    });
  return (
    <Popup name={words.limits} label={words.limitsOfMatch}>
      <p className="quiet">{words.limitsSays}</p>
      {FIELDS.map(([verdict, figure, label]) => (
        <NumberField
          key={label}
          size="sm"
          label={label}
          rule={RULES[figure]}
          step={STEPS[figure]}
          value={Number(limits[verdict][figure].toFixed(3))}
          onSet={(value) => set({ ...limits, [verdict]: { ...limits[verdict], [figure]: value } })}
        />
      ))}
      {shoot.matchLimits && (
        <Button size="sm" variant="outline-secondary" onClick={() => set(undefined)}>
          {words.ourLimits}
        </Button>
      )}
    </Popup>
  );
};
