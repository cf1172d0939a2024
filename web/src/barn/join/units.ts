import type { Schemas } from '../../base/api/client';

export const unitWords: [Schemas['Units'], string][] = [
  ['us', 'Feet and Fahrenheit'],
  ['metric', 'Meters and Celsius'],
];
