import { useWindowDimensions } from 'react-native';

/** Narrower than any phone held upright (320 px): a phone on which all text was made one and a half times as large, or twice. */
const MAGNIFIED_BELOW = 300;

/** Whether a person magnifies the page so far that controls and reading no longer fit the screen together. */
export const useMagnified = (): boolean => useWindowDimensions().width < MAGNIFIED_BELOW;
