/**
 * Stands in a build for parts of MUI and Emotion that our theme never uses: themes by CSS
 * variables, ripples, components wrapped with a theme. The build puts it in their place (vite.config.ts), so no page fetches them.
 */
export default function leftOut(): null {
  return null;
}
export const touchRippleClasses = {};
export const getTouchRippleUtilityClass = leftOut;
export const CssVarsProvider = leftOut;
export const Experimental_CssVarsProvider = leftOut;
export const useColorScheme = leftOut;
export const getInitColorSchemeScript = leftOut;
export const createGetCssVar = leftOut;
