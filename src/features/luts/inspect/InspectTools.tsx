'use client';

import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { CUBE_SCALES } from '#core/lut/cubeScale.ts';
import { sampleGreyAxis } from '#core/lut/greyAxis.ts';
import { OUTPUT_IDS, OUTPUTS, type OutputId } from '#core/lut/outputs.ts';
import { OwnedTools } from '#ui/owned/OwnedTools.tsx';
import { useBench, useRecords, useSession } from '#ui/bench/hooks.ts';
import type { OpenedLut } from '#ui/bench/session/lutWork.ts';
import type { LutSource } from '#ui/luts/lutSource.ts';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { keepEdit } from '../kitModel.ts';
import { words } from '#ui/wording/lutsInspect.ts';

type Neutral = (signal: number) => number;

/** How a file that was opened is read, and the way to keep it. */
const OpenedTools = ({
  opened,
  source,
  neutral,
}: {
  opened: OpenedLut;
  source?: LutSource;
  neutral?: Neutral;
}) => {
  const { book, session } = useBench();
  const keepOpened = () => {
    if (!source || !neutral) return;
    const id = crypto.randomUUID();
    void book.edit(
      keepEdit(
        {
          id,
          name: (opened.title || opened.name).slice(0, 80),
          says: `${opened.name}, ${opened.says}`.slice(0, 300),
          output: source.output,
          scale: source.scale,
          coding: { bitDepth: source.coding.bitDepth, range: source.coding.range },
          interpolation: 'tetrahedral',
          axis: sampleGreyAxis(neutral),
        },
        opened.text,
      ),
    );
    session.luts.inspect(id);
  };
  return (
    <>
      <Segmented
        label={words.at0To1In}
        options={(['signal', 'code'] as const).map((id) => ({
          id,
          name: `by ${CUBE_SCALES[id].name}`,
          says: CUBE_SCALES[id].says,
        }))}
        value={opened.scale}
        onPick={(id) => session.luts.readOpened({ scale: id })}
      />
      <Form.Select
        size="sm"
        aria-label={words.endsIn}
        title={words.whatTheFileEnds}
        value={opened.output}
        onChange={(event) => session.luts.readOpened({ output: event.target.value as OutputId })}
      >
        {OUTPUT_IDS.map((id) => (
          <option key={id} value={id}>
            to {OUTPUTS[id].name}
          </option>
        ))}
      </Form.Select>
      <Button variant="outline-secondary" size="sm" onClick={keepOpened}>
        {words.keep}
      </Button>
    </>
  );
};

/** What can be done with the LUT that is looked at. */
export const InspectTools = ({
  source,
  neutral,
  onOpen,
}: {
  source?: LutSource;
  neutral?: Neutral;
  onOpen: () => void;
}) => {
  const { session } = useBench();
  const { opened, inspected } = useSession((state) => ({
    opened: state.openedLut,
    inspected: state.lutWork.inspected,
  }));
  const record = useRecords(({ luts }) => luts.get(inspected));
  return (
    <>
      {inspected === 'opened' && opened && <OpenedTools opened={opened} source={source} neutral={neutral} />}
      {record && (
        <OwnedTools
          table="luts"
          record={record}
          onCopied={(id) => session.luts.inspect(id)}
          onDeleted={() => session.luts.inspect('build')}
        />
      )}
      <Button variant="primary" size="sm" onClick={onOpen}>
        {words.open}
      </Button>
    </>
  );
};
