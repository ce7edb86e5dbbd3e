'use client';

import { FileText } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { failureWords } from '#store/words.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { useTakeIndex } from '#ui/bench/useTakeIndex.ts';
import { download } from '#ui/download.ts';
import { PAPERS, type PaperId } from '#ui/paper/papers.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { words } from '#ui/wording/report.ts';
import { fileName, narrowed } from './bundle/extent.ts';
import { ExtentSelect, useExtent } from './ExtentSelect.tsx';

const PAPER_LIST = (Object.keys(PAPERS) as PaperId[]).map((id) => ({ id, name: PAPERS[id].name }));

/** The report of the shoot, for paper and the production's file. */
export const ReportPanel = () => {
  const { database } = useBench();
  const { shoot } = useSelection();
  const records = useRecords();
  const { count } = useTakeIndex();
  const { extents, extent, setId } = useExtent();
  const [paper, setPaper] = useState<PaperId>('a4');
  const [state, setState] = useState<{ readonly isMaking?: boolean; readonly refused?: string }>({});
  const make = async () => {
    setState({ isMaking: true });
    try {
      const [{ gather }, { reportOf }, { reportPdf }, { PAGE_TOOLS }] = await Promise.all([
        import('./bundle/gather.ts'),
        import('./report/reportData.ts'),
        import('./report/reportPdf.ts'),
        import('#ui/paper/tools.ts'),
      ]);
      const of = narrowed(await gather(database, records, shoot), extent);
      const bytes = await reportPdf(reportOf(of), { paper, at: of.at, tools: PAGE_TOOLS });
      download(`${fileName(shoot.name, extent)}-report-${paper}.pdf`, bytes, 'application/pdf');
      setState({});
    } catch (error) {
      setState({ refused: words.reportFailed(failureWords(error)) });
    }
  };
  return (
    <Panel title={words.report} note={words.reportSays}>
      <div className="exports">
        <ExtentSelect extents={extents} extent={extent} label={words.reportOn} onPick={setId} />
        <Segmented label={words.paper} options={PAPER_LIST} value={paper} onPick={setPaper} />
        <Button variant="outline-secondary" disabled={!count || state.isMaking} onClick={() => void make()}>
          <FileText size={16} aria-hidden="true" /> {words.makeReport}
        </Button>
        {count === 0 && <span className="quiet">{words.reportNeedsTakes}</span>}
      </div>
      <div role="status">{state.refused && <p className="field-error">{state.refused}</p>}</div>
    </Panel>
  );
};
