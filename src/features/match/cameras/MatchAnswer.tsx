'use client';

import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { dialled } from '#core/match/dial.ts';
import { matchVerdict, worstOf, worstSeen } from '#core/match/verdict.ts';
import { correctionWords } from '#ui/bench/match/correctionWords.ts';
import { useBench, useSelection, useUrlIds } from '#ui/bench/hooks.ts';
import { printKelvin } from '#ui/format.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { words } from '#ui/wording/match.ts';
import type { SolvedMatch } from '#workers/match/protocol.ts';
import { dialWords, differsWords, leftOutWords, VERDICTS } from '../matchWords.ts';
import { LimitsMenu, useMatchLimits } from '../LimitsMenu.tsx';
import { isKept, withMatch } from './keptMatch.ts';
import type { MatchPair } from './useMatchPair.ts';

/** Which camera is brought to which. */
const PairChoice = ({ pair: { cameras, selections } }: { pair: MatchPair }) => {
  const { book } = useBench();
  const { shoot } = useSelection();
  const [, setIds] = useUrlIds();
  const chooseHero = (id: string) =>
    void book.edit({
      label: 'Choose the hero camera',
      changes: [{ table: 'shoots', id: shoot.id, before: shoot, after: { ...shoot, heroCameraId: id } }],
    });
  const choice = (label: string, value: string, onPick: (id: string) => void, without?: string) => (
    <Form.Select
      size="sm"
      className="match-camera"
      aria-label={label}
      title={label}
      value={value}
      onChange={(event) => onPick(event.target.value)}
    >
      {cameras
        .filter(({ id }) => id !== without)
        .map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
    </Form.Select>
  );
  const hero = selections.hero.camera.id;
  return (
    <>
      {choice(words.cameraToMatch, selections.camera.camera.id, (camera) => void setIds({ camera }), hero)}
      <span className="quiet">→</span>
      {choice(words.heroCamera, hero, chooseHero)}
    </>
  );
};

/** `skin ΔE 1.2`; what noise alone makes is none. */
const seenWords = (what: string, deltaE: number) =>
  deltaE === 0 ? words.withinNoise(what) : `${what} ΔE ${deltaE.toFixed(1)}`;

const Solved = ({ pair, solved, isBusy }: { pair: MatchPair; solved: SolvedMatch; isBusy: boolean }) => {
  const { book } = useBench();
  const { selections, readings } = pair;
  const { camera } = selections.camera;
  const { match } = solved;
  const steps = dialled(match.correction, readings.dials.camera, camera);
  const rest = correctionWords(steps.rest);
  const limits = useMatchLimits();
  const deltaE = worstSeen(match.patches);
  const { name, mark } = VERDICTS[matchVerdict({ deltaE, stops: 0 }, limits)];
  const skin = worstOf(match.patches, ['skin']);
  const neutral = worstOf(match.patches, ['card', 'neutral', 'white']);
  const differs = differsWords(solved.plotted);
  const kept = isKept(pair, solved);
  const keep = () =>
    void book.edit({
      label: 'Keep a match',
      changes: [
        {
          table: 'cameras',
          id: camera.id,
          before: camera,
          after: withMatch(pair, solved, crypto.randomUUID(), new Date()),
        },
      ],
    });
  return (
    <>
      <dl className="match-answer">
        <div>
          <dt>{words.set}</dt>
          <dd className="match-dial">{dialWords(steps, readings.dials.camera)}</dd>
        </div>
        <div>
          <dt>{words.post}</dt>
          <dd>{rest.length === 0 ? words.nothingLeft : rest.join(', ')}</dd>
        </div>
        <div>
          <dt>
            <StateMark state={mark} /> {name}
          </dt>
          <dd title={words.limitsSays}>
            {[
              ...(skin === undefined ? [] : [seenWords(words.kindSkin, skin)]),
              ...(neutral === undefined ? [] : [seenWords(words.kindNeutral, neutral)]),
              `${words.all} ΔE ${match.mean.toFixed(1)}, ${words.worst} ${match.worst.toFixed(1)}`,
            ].join(' · ')}
          </dd>
        </div>
      </dl>
      <p className="match-differs">
        <strong>{words.differs}:</strong> {differs.length === 0 ? words.nothingDiffers : differs.join(' ')}
        {match.unseen !== undefined && (
          <span className="quiet"> ΔE {words.unseen(match.unseen.toFixed(1))}.</span>
        )}
      </p>
      {match.leftOut.length > 0 && (
        <p className="quiet">
          {words.leftOut}:{' '}
          {leftOutWords(match.leftOut, { camera: camera.name, hero: selections.hero.camera.name })}.
        </p>
      )}
      {solved.in === 'picture' && <Alert variant="warning">{words.inPicture}</Alert>}
      {solved.by === 'whole' && <p className="quiet">{words.estimated}</p>}
      <Button
        size="sm"
        variant={kept ? 'outline-secondary' : 'primary'}
        disabled={kept || isBusy}
        onClick={keep}
      >
        {kept ? words.kept : words.keep}
      </Button>
    </>
  );
};

/** The answer first: what to set, what is left for post, and whether the two cut together. */
export const MatchAnswer = ({
  pair,
  solved,
  isBusy,
  problem,
  isMarked,
}: {
  pair: MatchPair;
  solved?: SolvedMatch;
  isBusy: boolean;
  problem?: string;
  isMarked: boolean;
}) => {
  const { camera, hero } = pair.selections;
  return (
    <Panel
      title={words.toHero(camera.camera.name, hero.camera.name)}
      note={words.inLight(printKelvin(pair.kelvin))}
      tools={
        <>
          <PairChoice pair={pair} />
          <LimitsMenu />
        </>
      }
      className="match-head"
    >
      {problem !== undefined && <p className="field-error">{problem}</p>}
      {solved ? (
        <Solved pair={pair} solved={solved} isBusy={isBusy} />
      ) : (
        <p className="quiet">{isBusy || isMarked ? words.solving : words.noMarksSays}</p>
      )}
    </Panel>
  );
};
