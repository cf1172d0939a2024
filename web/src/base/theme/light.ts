import { createContext, useContext } from 'react';
import type { Light } from './theme';

export interface LightChoice {
  light: Light;
  choose: (light: Light) => void;
}

export const LightContext = createContext<LightChoice>({ light: 'day', choose: () => undefined });

export const useLight = () => useContext(LightContext);
