import { PAPERS, type PaperId } from '#ui/paper/papers.ts';
import { words } from '#ui/wording/report.ts';
import { reportOf } from '../report/reportData.ts';
import { reportPdf } from '../report/reportPdf.ts';
import type { BundleOf, BundlePart } from './parts.ts';

/** The report to print, once for each paper. */
export const reportFiles = (of: BundleOf): BundlePart => ({
  files: (Object.keys(PAPERS) as PaperId[]).map((paper) => ({
    path: `report-${paper}.pdf`,
    says: words.pdfSays(PAPERS[paper].name),
    bytes: (tools) => reportPdf(reportOf(of), { paper, at: of.at, tools }),
  })),
  leftOut: [],
});
