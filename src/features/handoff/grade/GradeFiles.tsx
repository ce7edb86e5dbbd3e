'use client';

import { Download, PackagePlus } from 'lucide-react';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { writeCc } from '#core/formats/cdl.ts';
import { gradeCdl } from '#core/grade/gradeCdl.ts';
import { kindOf } from '#core/grade/rows/rowKinds.ts';
import type { GradeRow } from '#core/grade/rows/types.ts';
import { failure } from '#core/result.ts';
import { failureWords } from '#store/words.ts';
import { rowLines } from '#ui/bench/grade/gradePrint.ts';
import { useBench, useSelection } from '#ui/bench/hooks.ts';
import { download, slug } from '#ui/download.ts';
import { PLAIN, type LutSource } from '#ui/luts/lutSource.ts';
import { WriteFile } from '#ui/luts/WriteFile.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/grade.ts';
import { stillBox, stillNameOf } from '../stills/stillBox.ts';
import type { GradeAtHand } from './useGrade.ts';

const nameOf = (row: GradeRow) => (kindOf(row)?.name ?? row.kind).toLowerCase();
const namesOf = (rows: readonly GradeRow[]) => rows.map(nameOf).join(', ');

/** The grade as a LUT, and what of it a CDL holds. */
export const GradeFiles = ({ hand }: { hand: GradeAtHand }) => {
  const { grade, spec, looks } = hand;
  const { session, database } = useBench();
  const [kept, setKept] = useState<string>();
  const [isMaking, setMaking] = useState(false);
  const [problem, setProblem] = useState<string>();
  const { camera, setup, profile } = useSelection();
  const name = `${setup.name} ${camera.name} ${words.graded}`;
  const source = useMemo(
    (): LutSource => ({ ...PLAIN, id: 'grade', name: words.graded, spec, output: grade.recipe.output }),
    [spec, grade.recipe.output],
  );
  const { cdl, held, left } = gradeCdl(grade, 'code', camera.coding);
  const notes = grade.rows.filter((row) => row.on && kindOf(row)?.isNote);
  const lines = rowLines(grade);
  const saveCdl = () =>
    download(
      `${slug(name)}.cc`,
      writeCc({ id: name, cdl, descriptions: [words.cdlHolds(namesOf(held))] }),
      'application/xml',
    );
  const makeStill = async (isBoth: boolean) => {
    setMaking(true);
    const outcome = await session.look.gradeStill({ grade, looks, isBoth }, { latest: 'gradeStill' });
    setMaking(false);
    if (outcome.state === 'cancelled') return undefined;
    const still = outcome.state === 'done' ? outcome.output : failure('still', outcome.reason);
    setProblem(still.ok ? undefined : still.reason);
    return still.ok ? still.value : undefined;
  };
  const saveStill = async () => {
    const still = await makeStill(false);
    if (still) download(`${slug(name)}.png`, still.png, 'image/png');
  };
  const keep = async () => {
    const { frame } = session.getState();
    const still = await makeStill(true);
    if (!still?.asShot || !frame) return;
    const stillName = stillNameOf(
      setup.name,
      camera.name,
      frame.name,
      frame.kind === 'clip' ? session.moving.getState().at : undefined,
    );
    const { asShot, png: graded } = still;
    const place = { shootId: setup.shootId, setupId: setup.id, cameraId: camera.id };
    try {
      await stillBox(database).keep({ ...place, name: stillName, asShot, graded });
      setKept(stillName);
    } catch (error) {
      setProblem(failureWords(error));
    }
  };
  return (
    <Panel title={words.forPost} className="grade-files">
      <WriteFile source={source} name={name} notes={[words.lutMade(profile.name), ...lines]} />
      <div className="exports">
        <Button size="sm" variant="outline-secondary" disabled={isMaking} onClick={() => void saveStill()}>
          <Download size={16} aria-hidden="true" /> {isMaking ? words.making : words.saveStill}
        </Button>
        <Button size="sm" variant="outline-secondary" disabled={isMaking} onClick={() => void keep()}>
          <PackagePlus size={16} aria-hidden="true" /> {words.keepStill}
        </Button>
        <Button size="sm" variant="outline-secondary" disabled={held.length === 0} onClick={saveCdl}>
          <Download size={16} aria-hidden="true" /> {words.saveCdl}
        </Button>
        <span className="quiet">
          {held.length > 0 ? words.cdlHolds(namesOf(held)) : words.cdlHoldsNone}{' '}
          {held.length > 0 && left.length > 0 && words.cdlLeaves(namesOf(left))}{' '}
          {notes.length > 0 && words.onlyWords(namesOf(notes))}
        </span>
        <p role="status" className="quiet grade-kept">
          {kept !== undefined && words.stillKept(kept)}
        </p>
        {problem !== undefined && <p className="field-error">{problem}</p>}
      </div>
    </Panel>
  );
};
