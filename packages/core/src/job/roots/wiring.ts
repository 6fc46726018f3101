import { commonDeviceProperties } from '../../harness/devices/define-device.ts';
import { deviceKinds, deviceName } from '../../harness/devices/index.ts';
import {
  harnessProperties,
  harnessSchema,
  rollProperties,
  schemeProperties,
  wireProperties,
} from '../../harness/harness.ts';
import { defineRoot, type Named } from '../define-root.ts';
import { asWords, sayOfRow } from '../field-words.ts';

const ends: Named = { from: { name: 'from' }, to: { name: 'to' } };
const lists = {
  devices: { one: 'device', fields: commonDeviceProperties },
  wires: { one: 'wire', fields: wireProperties, also: ends },
  rolls: { one: 'roll', fields: rollProperties, tab: 'lists' },
} as const;
const own: Named = { ...harnessProperties, ...schemeProperties, scheme: { name: 'colours' } };

/** The pump circuit beside the run; absent until it is drawn. */
export const wiring = defineRoot(harnessSchema.optional(), {
  stage: 'wiring',
  tab: 'circuit',
  name: 'circuit',
  lists,
  groups: {
    '': { fields: harnessProperties, tab: 'volts', special: { scheme: { name: 'colours', tab: 'lists' } } },
    scheme: { fields: schemeProperties, tab: 'lists' },
  },
  isThrownAt: false,
  // "Pump relay, rated current", "wire 4, conductor"
  say(_job, [, key, id = '', ...rest], value) {
    const last = String(rest.at(-1) ?? '');
    if (key === 'devices') {
      const device = value?.devices?.find((d) => d.id === id);
      if (!device) return ['device', last].filter(Boolean).join(', ');
      const names: Named = { ...commonDeviceProperties, ...deviceKinds[device.kind].properties };
      return [deviceName(device), names[last]?.name ?? asWords(last)].filter(Boolean).join(', ');
    }
    if (key === 'wires') return sayOfRow(lists.wires.one, { ...wireProperties, ...ends }, value?.wires, id, rest);
    if (key === 'rolls') return sayOfRow(lists.rolls.one, rollProperties, value?.rolls, id, rest);
    return key === undefined ? 'circuit' : (own[String(id || key)]?.name ?? asWords(String(key)));
  },
});
