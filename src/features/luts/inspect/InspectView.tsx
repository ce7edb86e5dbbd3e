'use client';

import { useMemo, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { CUBE_SCALES } from '#core/lut/cubeScale.ts';
import { OUTPUT_IDS, OUTPUTS, type OutputId } from '#core/lut/outputs.ts';
import { sampleGreyAxis } from '#core/lut/greyAxis.ts';
import { judgeLut } from '#core/verdict/lutVerdicts.ts';
import { summarise } from '#core/verdict/index.ts';
import { useBench, useCard, useRecords, useSelection, useSession } from '#ui/bench/hooks.ts';
import { Arithmetic } from '#ui/parts/Arithmetic.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { VerdictList } from '#ui/parts/VerdictList.tsx';
import { dropEdit, keepEdit } from '../kitModel.ts';
import { landingsOf, tonesOf } from '../landings.ts';
import { Below } from '../parts/Below.tsx';
import { GreyChart } from '../parts/GreyChart.tsx';
import { greyPoints } from '../parts/greyChartModel.ts';
import { Landings } from '../parts/Landings.tsx';
import { useLaid } from '../parts/useLaid.ts';
import { LutPicture } from '../parts/LutPicture.tsx';
import { SourceSelect } from '../parts/SourceSelect.tsx';
import { ZebrasBehind } from '../parts/ZebrasBehind.tsx';
import { throughOf, useNeutral, useSource } from '../useSources.ts';
import { useOpenLut } from './useOpenLut.ts';
import { useReport } from './useReport.ts';

/** Inspect: what a LUT expects, against what it is fed. */
export const InspectView = () => {
  const { book, session } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const { numbers } = useCard();
  const { opened, inspected } = useSession((state) => ({
    opened: state.opened,
    inspected: state.lutWork.inspected,
  }));
  const [picked, setPicked] = useState<string>();
  const openLut = useOpenLut();
  const source = useSource(inspected);
  const through = useMemo(() => throughOf(source), [source]);
  const neutral = useNeutral(source);
  const { answer: report, problem } = useReport(source);
  const { profile, plan } = selection;
  const points = useMemo(
    () => neutral && greyPoints(numbers.profile, numbers.clipStops, neutral),
    [numbers, neutral],
  );
  useLaid('out, 0 to 100 %', points);
  const { open, getRootProps, getInputProps, isDragActive } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: false,
    onDrop: ([file]) => void openLut(file),
  });
  const verdicts =
    report &&
    judgeLut(report, { profileName: profile.name, profile: profile.data, clipStops: numbers.clipStops });
  const record = records.luts.get(inspected);
  const isOpened = inspected === 'opened' && opened !== undefined;
  const keepOpened = () => {
    if (!opened || !source || !neutral) return;
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
    <div className="luts" {...getRootProps()}>
      <div className="luts-main">
        <Panel
          title={<SourceSelect label="LUT" value={inspected} onPick={(id) => session.luts.inspect(id)} />}
          className={`luts-picture${isDragActive ? ' dropping' : ''}`}
          tools={
            <>
              {isOpened && (
                <Segmented
                  label="0 to 1 in the file"
                  options={(['signal', 'code'] as const).map((id) => ({
                    id,
                    name: `by ${CUBE_SCALES[id].name}`,
                    says: CUBE_SCALES[id].says,
                  }))}
                  value={opened.scale}
                  onPick={(id) => session.luts.readOpened({ scale: id })}
                />
              )}
              {isOpened && (
                <Form.Select
                  size="sm"
                  aria-label="Ends in"
                  title="What the file ends in"
                  value={opened.output}
                  onChange={(event) => session.luts.readOpened({ output: event.target.value as OutputId })}
                >
                  {OUTPUT_IDS.map((id) => (
                    <option key={id} value={id}>
                      to {OUTPUTS[id].name}
                    </option>
                  ))}
                </Form.Select>
              )}
              {isOpened && (
                <Button variant="outline-secondary" size="sm" onClick={keepOpened}>
                  Keep
                </Button>
              )}
              {record && (
                <Button
                  variant="outline-secondary"
                  size="sm"
                  onClick={() => {
                    void book.edit(dropEdit(record, book.getState()));
                    session.luts.inspect('build');
                  }}
                >
                  Take out
                </Button>
              )}
              <Button variant="primary" size="sm" onClick={open}>
                Open
              </Button>
            </>
          }
        >
          <LutPicture through={through} name={source?.name ?? 'no LUT'} />
          <input {...getInputProps({ accept: '.cube,.clf,.cc,.ccc,.cdl' })} aria-label="LUT file" />
          {isDragActive && <div className="drop-hint">Drop to inspect</div>}
        </Panel>
        <Below
          sheets={{
            curve: {
              name: 'Curve',
              note: isOpened
                ? [opened.says, ...opened.comments].join(' · ')
                : (record?.says ?? 'from light to picture'),
              body: points && (
                <GreyChart lines={[{ name: 'out', points }]} tones={tonesOf(numbers, plan.placement)} />
              ),
            },
            tones: {
              name: 'Where tones land',
              note: `${profile.name}, in and out`,
              body: neutral && source && (
                <Landings rows={landingsOf(numbers, plan.placement, neutral, source.output)} />
              ),
            },
          }}
        />
      </div>
      <div className="luts-side">
        <Panel
          title="Verdict"
          className="verdicts"
          note={problem ?? (verdicts ? summarise(verdicts) : 'looking through it…')}
        >
          {verdicts && (
            <VerdictList
              verdicts={verdicts}
              picked={picked}
              onPick={setPicked}
              opened={(verdict) => (
                <div className="verdict-open">
                  <Arithmetic lines={verdict.arithmetic} />
                </div>
              )}
            />
          )}
        </Panel>
        <Panel title="Behind this LUT" note="for a zebra that reads it">
          {neutral && source && <ZebrasBehind neutral={neutral} output={source.output} />}
        </Panel>
      </div>
    </div>
  );
};
