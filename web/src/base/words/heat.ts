import type { Schemas } from '../api/client';
import { shownTemperature, temperatureUnit } from './units';

type Band = Schemas['HeatBand'];

/** What the heat allows, in two or three words. */
export const heatWords: Record<Band, string> = {
  usual: '',
  more_breaks: 'more breaks',
  short_and_slow: 'short and slow',
  no_riding: 'no riding',
};

interface Hour {
  temperature_f: number;
  humidity_pct: number;
}

/** 94 °F, 60%. */
export const heatInWords = ({ temperature_f, humidity_pct }: Hour) =>
  `${Math.round(shownTemperature(temperature_f))} ${temperatureUnit()}, ${Math.round(humidity_pct)}%`;
