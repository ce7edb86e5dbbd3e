'use client';

import { Download } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import { writeCcc } from '#core/formats/cdl.ts';
import { matchInLight } from '#store/matchOfCamera.ts';
import { useClips } from '#ui/bench/clips/useClips.ts';
import { useCard, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { outsideWords } from '#ui/bench/match/outsideWords.ts';
import { correctionWords } from '#ui/bench/match/correctionWords.ts';
import { download, slug } from '#ui/download.ts';
import { printKelvin } from '#ui/format.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/handoff.ts';
import { bundledClips } from './bundle/clipFacts.ts';

/** What the camera at hand needs in post to cut with the hero camera. */
const CameraMatch = () => {
  const selection = useSelection();
  const { light } = useCard();
  const match = matchInLight(selection, light.kelvin);
  const hero = useRecords(({ cameras }) => cameras.get(match?.heroCameraId ?? ''));
  if (!match || !hero) return <p className="quiet">{words.noMatchKept(selection.camera.name)}</p>;
  const far = outsideWords(match);
  const does = correctionWords(match.correction).join(', ');
  return (
    <p>
      <strong>{words.cameraTo(selection.camera.name, hero.name)}</strong> {does}.{' '}
      <span className="quiet">{words.solvedIn(match.from.map(printKelvin).join(', '))}</span>{' '}
      {far !== undefined && <span className="field-error">{far}</span>}
    </p>
  );
};

/** Accepted corrections of the clips, as a collection of CDLs. */
const ClipCorrections = () => {
  const { shoot } = useSelection();
  const { clips } = useClips();
  const records = useRecords();
  const accepted = clips.filter(({ correction }) => correction?.accepted);
  // Under the names of the bundle: two cards may have a clip of one name.
  const cdls = () =>
    bundledClips({ records, clips, takes: [] }).flatMap(({ correction }) => correction?.named ?? []);
  return (
    <div className="exports">
      <Button
        variant="outline-secondary"
        disabled={accepted.length === 0}
        onClick={() => download(`${slug(shoot.name)}-clips.ccc`, writeCcc(cdls()), 'application/xml')}
      >
        <Download size={16} aria-hidden="true" /> {words.clipCdls(accepted.length)}
      </Button>
      <span className="quiet">{accepted.length === 0 ? words.noneAccepted : words.cdlsSay}</span>
    </div>
  );
};

/** What brings cameras and clips together, for post. */
export const MatchPanel = () => (
  <Panel title={words.match}>
    <CameraMatch />
    <ClipCorrections />
  </Panel>
);
