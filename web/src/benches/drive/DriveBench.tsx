import { useForms } from '../../api/useForms';
import { useInstallation } from '../../api/useInstallation';
import { Answers } from '../../sheet/Answers';
import { BenchSheet } from '../../sheet/BenchSheet';
import { Fold, Picture, Strip, UnitTabs } from '../../sheet/Sheet';
import { Beside } from './Beside';
import { Crossings } from './Crossings';
import { Envelope } from './Envelope';
import { Match } from './Match';
import { Ratios } from './Ratios';
import { RoadTrain } from './RoadTrain';
import { SawTooth } from './SawTooth';
import { Teeth } from './Teeth';
import { Train } from './Train';
import { Ways } from './Ways';

/** Reduction, and what it turns. */
export function DriveBench() {
  const { pointer, electric } = useInstallation();
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
      <SawTooth />
      <Envelope />
      <Match />
      <Crossings />
      <Strip label="Answers">
        <Answers bench="drive" columns={3} />
      </Strip>
      {has('air propeller') && !electric && (
        <div className="px-4">
          <Fold title="Propellers side by side">
            <Beside />
          </Fold>
        </div>
      )}
      {has('marine propeller') && (
        <div className="px-4">
          <Fold title="Gear ratios side by side">
            <Ratios />
          </Fold>
        </div>
      )}
      {has('driven wheel') && (
        <div className="px-4">
          <Fold title="Ways of driving the wheels side by side">
            <Ways />
          </Fold>
        </div>
      )}
      <div className="px-4">
        <Fold title="Teeth for a wanted ratio">
          <Teeth />
        </Fold>
      </div>
      <BenchSheet bench="drive" />
    </div>
  );
}
