'use client';

import Button from 'react-bootstrap/Button';
import Dropdown from 'react-bootstrap/Dropdown';
import Form from 'react-bootstrap/Form';
import { BOARDS, BOARD_IDS } from '#core/match/boards.ts';
import type { MatchBenchState } from '#ui/bench/match/matchBench.ts';
import { useMatchBench } from '#ui/bench/match/useMatchBench.ts';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { words } from '#ui/wording/match.ts';

const LOOKS = [
  { id: 'recorded', name: words.asRecorded },
  { id: 'matched', name: words.matched },
  { id: 'wipe', name: words.wipe },
] as const;
export type Look = (typeof LOOKS)[number]['id'];
const NEW_KINDS = ['card', 'skin', 'neutral', 'white', 'colour'] as const;
export const NEW_NAMES = {
  card: words.kindCard,
  skin: words.kindSkin,
  neutral: words.kindNeutral,
  white: words.kindWhite,
  colour: words.kindColour,
} as const;

/** Boards whose patches are laid by dragging four corners. */
const BoardMenu = () => {
  const bench = useMatchBench();
  return (
    <Dropdown>
      <Dropdown.Toggle size="sm" variant="outline-secondary">
        {words.layBoard}
      </Dropdown.Toggle>
      <Dropdown.Menu renderOnMount={false}>
        {BOARD_IDS.map((id) => (
          <Dropdown.Item key={id} as="button" type="button" onClick={() => bench.layBoard(id)}>
            {BOARDS[id].name}
          </Dropdown.Item>
        ))}
      </Dropdown.Menu>
    </Dropdown>
  );
};

export type NewKind = (typeof NEW_KINDS)[number];

/** How the pictures are shown, and what is marked next. */
export const PictureTools = ({
  state: { marks, whole },
  look,
  setLook,
  kind,
  setKind,
}: {
  state: MatchBenchState;
  look: Look;
  setLook: (look: Look) => void;
  kind: NewKind;
  setKind: (kind: NewKind) => void;
}) => {
  const bench = useMatchBench();
  return (
    <div className="match-tools">
      <Segmented label={words.showAs} options={LOOKS} value={look} onPick={setLook} />
      <Form.Select
        size="sm"
        aria-label={words.kind}
        value={kind}
        onChange={(event) => setKind(event.target.value as NewKind)}
      >
        {NEW_KINDS.map((one) => (
          <option key={one} value={one}>
            {words.mark}: {NEW_NAMES[one]}
          </option>
        ))}
      </Form.Select>
      <BoardMenu />
      <Button size="sm" variant="outline-secondary" onClick={() => bench.setWhole(!whole)}>
        {whole ? words.useMarks : words.wholeClips}
      </Button>
      {marks.length > 0 && !whole && (
        <Button size="sm" variant="outline-secondary" onClick={bench.clearMarks}>
          {words.clearMarks}
        </Button>
      )}
    </div>
  );
};
