import { fuelLiquid, heatCapacity } from '../fluids/fuel.ts';
import { wettedArea } from '../heat/tank-heat.ts';
import { assumed, originOfAssumed, type AssumptionKey } from '../job/assumption.ts';
import type { Findings } from '../reckoning/findings.ts';
import { figure } from '../units/quantity.ts';
import type { Working } from './working.ts';

/** The tank's temperature at the end of a drive, with the heat flows of its last moment. */
export function driveWorking({ job, drive, fuel, tank }: Findings): Working | undefined {
  const end = drive?.steps.at(-1);
  const volume = tank.full ?? job.survey.tank.capacity?.si;
  if (!drive || !end || !fuel || volume === undefined) return undefined;
  const { circuit, around } = drive.end;
  const sheds = circuit.shedBefore + circuit.shedAfter;
  const coolers: Working['terms'] =
    sheds > 0
      ? [
          {
            symbol: 'UA_cooler',
            name: 'what coolers shed per kelvin over the air',
            figure: figure('conductance', sheds),
            source: 'of the parts',
          },
          {
            symbol: 'P_cooler',
            name: 'that they take away, at the end',
            figure: figure('power', drive.heat.shed),
            source: 'computed',
          },
        ]
      : [];
  const from = (key: AssumptionKey) => originOfAssumed(job.assumptions, key);
  return {
    key: 'drive',
    title: 'Tank temperature after the drive',
    result: figure('temperature', end.tank),
    formula: 'm·c·dT/dt = ρ·c·Q_back·(T_back − T) + P_casing − U·A·(T − T_air);  dm/dt = −ρ·Q_burnt',
    terms: [
      {
        symbol: 'Q_back',
        name: 'comes back to the tank at cruise, at the end',
        figure: figure('volumeFlow', circuit.back),
        source: 'computed',
      },
      {
        symbol: 'T_back',
        name: 'at, at the end',
        figure: figure('temperature', around.backTemperature),
        source: 'computed: pump power and engine heat taken on',
      },
      {
        symbol: 'P',
        name: 'electrical power of the pumps at cruise, at the end',
        figure: figure('power', circuit.pumpPower + (circuit.pot?.pumpPower ?? 0)),
        source: 'computed: current × voltage',
      },
      {
        symbol: 'P_casing',
        name: 'of it through the casings in the tank',
        figure: figure('power', around.throughCasing),
        source: 'computed; 3 W/K a casing, typical, from memory',
      },
      {
        symbol: 'UA_rail',
        name: 'heat the engine passes on per kelvin, that comes back',
        figure: figure('conductance', circuit.bayConductance),
        ...from('railHeat'),
      },
      {
        symbol: 'T_bay',
        name: 'air around rail and hoses',
        figure: figure('temperature', circuit.bayTemperature),
        ...from('bayTemperature'),
      },
      ...coolers,
      {
        symbol: 'U',
        name: 'heat the tank gives off',
        figure: figure('heatTransfer', assumed(job.assumptions, 'tankHeat')),
        ...from('tankHeat'),
      },
      {
        symbol: 'T_air',
        name: 'air around the tank',
        figure: figure('temperature', assumed(job.assumptions, 'ambientTemperature')),
        ...from('ambientTemperature'),
      },
      {
        symbol: 'Q_burnt',
        name: 'burnt at cruise, told at 20 °C',
        figure: figure('volumeFlow', assumed(job.assumptions, 'cruiseDemand')),
        ...from('cruiseDemand'),
      },
    ],
    parts: [],
    remarks: [
      `At the end ${(wettedArea(volume, end.level) * 1e4).toFixed(0)} cm² of wall are wet, reckoned from the tank’s volume; fuel holds ${(heatCapacity(fuel) / 1000).toFixed(2)} kJ/(kg·K) at ${fuelLiquid(fuel, end.tank).density.toFixed(0)} kg/m³.`,
      'The run is solved at the start and at the end’s temperature and level; flows go from the one to the other.',
    ],
    source: 'heat balance of a stirred tank; typical figures from memory',
  };
}
