import { useInstallation } from '../../api/useInstallation';
import { Answers } from '../../sheet/Answers';
import { BenchSheet } from '../../sheet/BenchSheet';
import { Strip, UnitTabs } from '../../sheet/Sheet';
import { Candidates } from './Candidates';
import { CurveField } from './CurveField';
import { FromLibrary } from './FromLibrary';
import { Ports } from './Ports';
import { Weeks } from './Weeks';

/** Which unit, and what it drags in: candidates side by side, their curves, what will not match, money and wait. */
export function ChooseBench() {
  const { pointer } = useInstallation();
  if (!pointer) return <p className="p-4">No installation here yet.</p>;
  return (
    <div className="bg-sheet pb-4">
      <UnitTabs />
      <FromLibrary />
      <Candidates />
      <Strip label="Answers">
        <Answers bench="choose" columns={3} />
      </Strip>
      <Ports />
      <Weeks />
      <div className="px-4 pt-3">
        <CurveField pointer={pointer} />
      </div>
      <BenchSheet bench="choose" />
    </div>
  );
}
