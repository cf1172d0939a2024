import { isMetric } from '../base/words/unitSetting';

/** A speed along the way: 26.2 ft/s, or 8.0 m/s. */
export const speedInWords = (feet: number) =>
  isMetric() ? `${(feet * 0.3048).toFixed(1)} m/s` : `${feet.toFixed(1)} ft/s`;
