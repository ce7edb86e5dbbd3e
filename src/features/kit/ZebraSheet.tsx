'use client';

import { useMemo } from 'react';
import Button from 'react-bootstrap/Button';
import { printStopsDecimal } from '#core/units.ts';
import { useCard, useSelection } from '#ui/bench/hooks.ts';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { PICTURES, sheetOf, warningWords, zebraNotes } from './zebraModel.ts';
import { TrapLine } from './TrapLine.tsx';
import { ZebraFigures } from './ZebraFigures.tsx';
import { words } from '#ui/wording/kit.ts';

const faceWords = ({ name, skinOffset }: { readonly name: string; readonly skinOffset: number }) =>
  `${name} ${printStopsDecimal(skinOffset)}`;

/** Every zebra level of this camera and profile on one page: both pictures side by side. Prints on A4. */
export const ZebraSheet = () => {
  const selection = useSelection();
  const { numbers, profile } = useCard();
  const { camera, subjects, plan } = selection;
  const { data } = profile;
  const sheet = useMemo(() => sheetOf(selection, data), [selection, data]);
  return (
    <section className="panel sheet">
      <header className="panel-head">
        <h2>
          {camera.name}, {profile.name}
        </h2>
        <span className="quiet">
          {camera.coding.bitDepth}-bit {camera.coding.range}, ISO {plan.iso}, clip{' '}
          {printStopsDecimal(numbers.clipStops)}
        </span>
        <div className="panel-tools">
          <Button variant="outline-secondary" size="sm" onClick={() => window.print()}>
            {words.printOnOnePage}
          </Button>
        </div>
      </header>
      <TableScroll label={words.zebraLevels}>
        <ZebraFigures
          tables={(['log', 'lut'] as const).map((id) => ({ name: PICTURES[id], rows: sheet[id] }))}
          subjects={subjects}
          taken={plan.placement}
          meter={camera.meter}
        />
      </TableScroll>
      <div className="figures-foot">
        <TrapLine data={data} />
        <p className="quiet">
          {zebraNotes(camera).join(' ')} {warningWords(plan.warningMargin)} Rounding: the worst of card and
          faces, in stops.{' '}
          {subjects.length === 0
            ? 'No subject in this set-up: measure a face beside the card and add it in the bag.'
            : `Faces by their own offset: ${subjects.map(faceWords).join(', ')}.`}
        </p>
      </div>
    </section>
  );
};
