import { zebraTrap } from '#core/exposure/zebraSheet.ts';
import type { ProfileData } from '#core/profile/index.ts';
import { StateMark } from '#ui/parts/StateMark.tsx';

/** What becomes of the remembered display-level number on this profile. */
export const TrapLine = ({ data }: { data: ProfileData }) => {
  const trap = zebraTrap(data);
  return (
    <p className="trap">
      <StateMark state={trap.worth} />
      <span>{trap.says}</span>
    </p>
  );
};
