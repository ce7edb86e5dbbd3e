'use client';

import { parseAsArrayOf, parseAsStringLiteral, useQueryState } from 'nuqs';
import Button from 'react-bootstrap/Button';
import { ADVICE_RULES, RULE_IDS } from '#core/advice/rules.ts';
import { printStopsDecimal } from '#core/units.ts';
import { useCard, useEditPlan, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { Folded } from '#ui/parts/Folded.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { adviceOf } from './adviceModel.ts';
import { Briefing } from './Briefing.tsx';
import { useSurvey } from './useSurvey.ts';
import { words } from '#ui/wording/plan.ts';

/** Every profile the camera has, ranked for this set-up; which rules spoke, and what each said. */
export const AdvicePanel = () => {
  const selection = useSelection();
  const survey = useSurvey();
  const records = useRecords();
  const { numbers } = useCard();
  const editPlan = useEditPlan();
  const [muted, setMuted] = useQueryState(
    'muted',
    parseAsArrayOf(parseAsStringLiteral(RULE_IDS)).withDefault([]),
  );
  const ranked = adviceOf(selection, numbers, records, survey.ok ? survey.value : undefined, muted);
  const most = Math.max(1, ...ranked.map(({ points }) => Math.abs(points)));
  return (
    <div className="plan-columns">
      <Panel title={words.profilesOfThisCamera} note={ranked[0]?.spoke[0]?.sentence}>
        {ranked.map(({ profile, points, spoke }, place) => (
          <Folded
            key={`${profile.id} ${place === 0 ? 'first' : ''}`}
            className="advice"
            isOpen={place === 0}
            title={
              <>
                <span className="num advice-points">{printStopsDecimal(points)}</span>
                <span className="advice-bar" aria-hidden>
                  <span
                    className={points < 0 ? 'against' : undefined}
                    style={{ width: `${(100 * Math.abs(points)) / most}%` }}
                  />
                </span>
                <strong>{profile.name}</strong>
                {profile.id === selection.profile.id && <span className="quiet"> {words.inUse}</span>}
              </>
            }
          >
            <ul>
              {spoke.map(({ rule, points: given, sentence }) => (
                <li key={rule}>
                  <span className={`num${given < 0 ? ' text-warn' : ''}`}>{printStopsDecimal(given)}</span>{' '}
                  {sentence} <span className="quiet">{ADVICE_RULES[rule].name}.</span>
                </li>
              ))}
            </ul>
            {profile.id !== selection.profile.id && (
              <Button
                variant="outline-secondary"
                size="sm"
                onClick={() => editPlan(`Profile ${profile.name}`, { profileId: profile.id })}
              >
                Take {profile.name}
              </Button>
            )}
          </Folded>
        ))}
        <p className="quiet small-print">Weights are our own. Bits a pixel count a 3840 × 2160 picture.</p>
      </Panel>
      <div className="kit-side">
        <Briefing />
        <Panel title={words.rulesInUse} note={words.pressOneToMute}>
          <div className="choices mb-0">
            {RULE_IDS.map((id) => (
              <Toggle
                key={id}
                on={!muted.includes(id)}
                name={ADVICE_RULES[id].name}
                says={words.weight(ADVICE_RULES[id].weight)}
                onFlip={() =>
                  void setMuted(muted.includes(id) ? muted.filter((one) => one !== id) : [...muted, id])
                }
              />
            ))}
          </div>
        </Panel>
      </div>
    </div>
  );
};
