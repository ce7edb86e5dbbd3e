'use client';

import { ARCHETYPE_IDS, ARCHETYPES } from '#core/profile/index.ts';
import { useCard, useComparedProfile, useSelection } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { ScreenParts } from '#ui/parts/ScreenParts.tsx';
import { later } from '#ui/later.tsx';
import { ProfileChart } from './ProfileChart.tsx';
import { ProfilePicker } from './ProfilePicker.tsx';
import { ProfileTools } from './ProfileTools.tsx';
import { words } from '#ui/wording/kit.ts';

const CameraPanel = later(() => import('./camera/CameraPanel.tsx').then((part) => part.CameraPanel));
const ProfileFigures = later(() => import('./ProfileFigures.tsx').then((part) => part.ProfileFigures));
const ProfileMaker = later(() => import('./ProfileMaker.tsx').then((part) => part.ProfileMaker));
const ZebraSheet = later(() => import('./ZebraSheet.tsx').then((part) => part.ZebraSheet));
const ShootsView = later(() => import('./shoots/ShootsView.tsx').then((part) => part.ShootsView));
const NewCameraView = later(() => import('./newCamera/NewCameraView.tsx').then((part) => part.NewCameraView));
const RecordsView = later(() => import('./records/RecordsView.tsx').then((part) => part.RecordsView));
const ScreensView = later(() => import('./screens/ScreensView.tsx').then((part) => part.ScreensView));
const SettingsView = later(() => import('./settings/SettingsView.tsx').then((part) => part.SettingsView));
const BagView = later(() => import('./bag/BagView.tsx').then((part) => part.BagView));

const CameraTestView = later(() =>
  import('./cameraTest/CameraTestView.tsx').then((part) => part.CameraTestView),
);

const others = ARCHETYPE_IDS.map((id) => ({ name: ARCHETYPES[id].name, data: ARCHETYPES[id] }));

/** The camera and its profile: what it reads at every stop, from an archetype or solved from what its owner knows. */
const CameraAndProfile = () => {
  const selection = useSelection();
  const { profile } = useCard();
  const compared = useComparedProfile();
  const { name, data } = profile;
  return (
    <div className="kit">
      <div className="kit-side">
        <Panel
          title={name}
          note={
            profile.isDraft
              ? words.beingSolvedNotSaved
              : data.band
                ? words.inferredTheBandIs
                : selection.profile.says
          }
        >
          <ProfilePicker />
          <ProfileChart
            shown={{ name, data }}
            compared={compared}
            others={others}
            coding={selection.camera.coding}
          />
          <ProfileTools />
        </Panel>
        <ProfileFigures data={data} />
      </div>
      <div className="kit-side">
        <ProfileMaker key={`${selection.camera.id} ${selection.profile.id}`} />
        <CameraPanel />
      </div>
    </div>
  );
};

const PARTS = {
  camera: { name: words.cameraAndProfile, View: CameraAndProfile },
  zebra: { name: words.zebraSheet, View: ZebraSheet },
  test: { name: words.knowYourCamera, View: CameraTestView },
  settings: { name: words.settings, View: SettingsView },
  bag: { name: words.bag, View: BagView },
  screens: { name: words.screens, View: ScreensView },
  shoots: { name: words.shoots, View: ShootsView },
  new: { name: words.newCamera, View: NewCameraView },
  records: { name: words.backUp, View: RecordsView },
} as const;
/** Kit: cameras, profiles, and what else is in the bag. */
export const KitView = () => <ScreenParts of="the kit" parts={PARTS} first="camera" />;
