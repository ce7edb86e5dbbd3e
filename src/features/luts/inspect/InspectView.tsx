'use client';

import { useMemo } from 'react';
import { useDropzone } from 'react-dropzone';
import { useBench, useCard, useRecords, useSelection, useSession } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { landingsOf, tonesOf } from '../landings.ts';
import { Below } from '../parts/Below.tsx';
import { GreyChart } from '../parts/GreyChart.tsx';
import { greyPoints } from '../parts/greyChartModel.ts';
import { Landings } from '../parts/Landings.tsx';
import { useLaid } from '../parts/useLaid.ts';
import { LutPicture } from '#ui/luts/LutPicture.tsx';
import { SourceSelect } from '../parts/SourceSelect.tsx';
import { ZebrasBehind } from '../parts/ZebrasBehind.tsx';
import { throughOf, useNeutral, useSource } from '../useSources.ts';
import { InspectTools } from './InspectTools.tsx';
import { LutVerdicts } from './LutVerdicts.tsx';
import { useOpenLut } from './useOpenLut.ts';
import { words } from '#ui/wording/lutsInspect.ts';

/** Inspect: what a LUT expects, against what it is fed. */
export const InspectView = () => {
  const { session } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const { numbers } = useCard();
  const { opened, inspected } = useSession((state) => ({
    opened: state.openedLut,
    inspected: state.lutWork.inspected,
  }));
  const openLut = useOpenLut();
  const source = useSource(inspected);
  const through = useMemo(() => throughOf(source), [source]);
  const neutral = useNeutral(source);
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
  const record = records.luts.get(inspected);
  const isOpened = inspected === 'opened' && opened !== undefined;
  return (
    <div className="luts" {...getRootProps()}>
      <div className="luts-main">
        <Panel
          title={
            <SourceSelect label={words.lut} value={inspected} onPick={(id) => session.luts.inspect(id)} />
          }
          className={`luts-picture${isDragActive ? ' dropping' : ''}`}
          tools={<InspectTools source={source} neutral={neutral} onOpen={open} />}
        >
          <LutPicture through={through} name={source?.name ?? 'no LUT'} />
          <input {...getInputProps({ accept: '.cube,.clf,.cc,.ccc,.cdl' })} aria-label={words.lutFile} />
          {isDragActive && <div className="drop-hint">Drop to inspect</div>}
        </Panel>
        <Below
          sheets={{
            curve: {
              name: words.curve,
              note: isOpened
                ? [opened.says, ...opened.comments].join(' · ')
                : (record?.says ?? 'from light to picture'),
              body: points && (
                <GreyChart lines={[{ name: 'out', points }]} tones={tonesOf(numbers, plan.placement)} />
              ),
            },
            tones: {
              name: words.whereTonesLand,
              note: `${profile.name}, in and out`,
              body: neutral && source && (
                <Landings rows={landingsOf(numbers, plan.placement, neutral, source.output)} />
              ),
            },
          }}
        />
      </div>
      <div className="luts-side">
        <LutVerdicts source={source} />
        {neutral && source && <ZebrasBehind neutral={neutral} output={source.output} />}
      </div>
    </div>
  );
};
