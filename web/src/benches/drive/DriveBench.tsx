import { RoadTrain } from '../../drawing/RoadTrain';
import { Train } from '../../drawing/Train';
import { Answers } from '../Answers';
import { BenchSheet } from '../BenchSheet';
import { Picture, Strip, UnitTabs } from '../Sheet';
import { useForms } from '../useForms';
import { useInstallation } from '../useInstallation';

/** Reduction, and what it turns. */
export function DriveBench() {
  const { pointer } = useInstallation();
  const { has } = useForms();
  if (!pointer) return <p className="p-4">No installation here yet.</p>;
  return (
    <div className="bg-sheet pb-4">
      <UnitTabs />
      {has('driven wheel') ? (
        <Picture title="Train from the unit to the road, side on">
          <RoadTrain />
        </Picture>
      ) : (
        <Picture
          title={`Train and propeller, seen from ${has('marine propeller') ? 'aft' : 'the seat'} looking forward`}
        >
          <Train />
        </Picture>
      )}
      <Strip label="Answers">
        <Answers bench="drive" columns={3} />
      </Strip>
      <BenchSheet bench="drive" />
    </div>
  );
}
