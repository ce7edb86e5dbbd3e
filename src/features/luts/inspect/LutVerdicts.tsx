'use client';

import { useState } from 'react';
import { judgeLut } from '#core/verdict/lutVerdicts.ts';
import { summarise } from '#core/verdict/index.ts';
import { useCard, useSelection } from '#ui/bench/hooks.ts';
import type { LutSource } from '#ui/luts/lutSource.ts';
import { Arithmetic } from '#ui/parts/Arithmetic.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { VerdictList } from '#ui/parts/VerdictList.tsx';
import { useReport } from './useReport.ts';
import { words } from '#ui/wording/lutsInspect.ts';

/** What is said of a LUT, against what it is fed. */
export const LutVerdicts = ({ source }: { source?: LutSource }) => {
  const { profile } = useSelection();
  const { numbers } = useCard();
  const [picked, setPicked] = useState<string>();
  const { answer: report, problem } = useReport(source);
  const verdicts =
    report &&
    judgeLut(report, { profileName: profile.name, profile: profile.data, clipStops: numbers.clipStops });
  return (
    <Panel
      title={words.verdict}
      className="verdicts"
      note={problem ?? (verdicts ? summarise(verdicts) : words.checkingIt)}
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
  );
};
