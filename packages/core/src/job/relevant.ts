import type { Component } from './component.ts';

/** Whether a property says anything about a component as it stands: the rest of its form and of its typical values is left out. */
export function isRelevant(component: Component, key: string): boolean {
  switch (component.kind) {
    case 'pump':
      return pumpProperty(component, key);
    case 'rail': {
      const two = component.feed !== undefined && component.feed !== 'single';
      if (key === 'splitter') return component.feed === 'parallel';
      return two || (key !== 'branchLength' && key !== 'branchBore');
    }
    case 'regulator':
      return component.builtInRating !== undefined || (key !== 'builtInFlow' && key !== 'builtInDrop');
    default:
      return true;
  }
}

function pumpProperty(pump: Component & { kind: 'pump' }, key: string): boolean {
  switch (key) {
    case 'inletHeight':
      return pump.place !== 'inTank';
    case 'startsAtDemand':
      return pump.runs === 'onDemand';
    case 'startsAtBoost':
      return pump.runs === 'onBoost';
    case 'targetPressure':
    case 'targetReferenced':
    case 'sensorExpected':
    case 'sensorShielded':
    case 'leastDuty':
      return pump.drive === 'pwm';
    case 'wireTemperature':
    case 'contacts':
      return (pump.supplyWire ?? pump.earthWire ?? pump.supplyLength ?? pump.earthLength) !== undefined;
    default:
      return true;
  }
}
