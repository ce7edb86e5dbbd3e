'use client';

import Button from 'react-bootstrap/Button';
import { printDate } from '#core/day/clock.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import type { ShootRecord } from '#store/records/shoot.ts';
import { camerasOf, setupsOf, shootsOf } from '#store/selection.ts';
import { useRecords, useSelect, useSelection } from '#ui/bench/hooks.ts';
import { OwnedTools } from '#ui/owned/OwnedTools.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { DemoPanel } from './DemoPanel.tsx';
import { NewShootForm } from './NewShootForm.tsx';
import { words } from '#ui/wording/kitShoots.ts';

const SetupRow = ({ setup, number }: { setup: SetupRecord; number: number }) => {
  const selection = useSelection();
  const records = useRecords();
  const select = useSelect();
  const isHere = selection.setup.id === setup.id;
  const names = camerasOf(records, setup).map(({ name }) => name);
  return (
    <li aria-current={isHere || undefined}>
      <strong>
        <span className="num">{number}</span> {setup.name}
      </strong>
      <span className="bag-line">
        {names.join(', ') || 'no camera'} · {setup.fps} fps{isHere ? ' · open' : ''}
      </span>
      <span className="take-tools">
        {!isHere && (
          <Button
            size="sm"
            variant="outline-secondary"
            aria-label={words.openNamed(setup.name)}
            onClick={() => select({ shoot: setup.shootId, setup: setup.id })}
          >
            {words.open}
          </Button>
        )}
        <OwnedTools
          table="setups"
          record={setup}
          onCopied={(id) => select({ shoot: setup.shootId, setup: id })}
          onDeleted={() => isHere && select({ shoot: setup.shootId })}
        />
      </span>
    </li>
  );
};

const ShootPanel = ({ shoot }: { shoot: ShootRecord }) => {
  const selection = useSelection();
  const records = useRecords();
  const select = useSelect();
  const note = [shoot.day && printDate(shoot.day), shoot.place, shoot.isDemo && 'the demo'];
  const deleted = () => {
    const other = shootsOf(records).find(({ id }) => id !== shoot.id);
    if (selection.shoot.id === shoot.id && other) select({ shoot: other.id });
  };
  return (
    <Panel
      title={shoot.name}
      note={note.filter(Boolean).join(' · ')}
      tools={
        <OwnedTools
          table="shoots"
          record={shoot}
          onCopied={(id) => select({ shoot: id })}
          onDeleted={deleted}
        />
      }
    >
      <ul className="bag-list">
        {setupsOf(records, shoot.id).map((setup, i) => (
          <SetupRow key={setup.id} setup={setup} number={i + 1} />
        ))}
      </ul>
    </Panel>
  );
};

/** Every shoot with its set-ups: opened, renamed, duplicated, deleted; a new one; the demo put away. */
export const ShootsView = () => {
  const shoots = shootsOf(useRecords());
  return (
    <div className="kit">
      <div className="kit-side">
        {shoots.map((shoot) => (
          <ShootPanel key={shoot.id} shoot={shoot} />
        ))}
      </div>
      <div className="kit-side">
        <NewShootForm />
        <DemoPanel />
      </div>
    </div>
  );
};
