import { ThemeProvider, createTheme } from '../rne';
import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { StyleSheet } from 'react-native';
import { RADIUS, TARGET, family, fontSize, space } from './measures';
import { DAY, NIGHT, NIGHT_DIM, SUN, type Palette } from './palette';

/** Day, day in full sun, the night look, and the same one step darker. */
export type Look = 'day' | 'sun' | 'night' | 'dim';

const rneColours = (palette: Palette) => ({
  ...palette,
  primary: palette.press,
  secondary: palette.inkSoft,
  background: palette.paper,
  white: palette.raised,
  black: palette.ink,
  grey0: palette.ink,
  grey1: palette.inkSoft,
  grey2: palette.inkSoft,
  grey3: palette.inkSoft,
  grey4: palette.hairline,
  grey5: palette.hairline,
  greyOutline: palette.hairline,
  searchBg: palette.raised,
  divider: palette.hairline,
  error: palette.needle,
  warning: palette.caution,
  success: palette.press,
  disabled: palette.inkSoft,
});

const PALETTES: Record<Look, Palette> = { day: DAY, sun: SUN, night: NIGHT, dim: NIGHT_DIM };
const PaletteInUse = createContext<Palette>(DAY);

function themeOf(look: Look) {
  const palette = PALETTES[look];
  return createTheme({
    lightColors: rneColours(palette),
    darkColors: rneColours(palette),
    mode: 'light',
    components: {
      Button: () => ({
        buttonStyle: { minHeight: TARGET, borderRadius: RADIUS, paddingHorizontal: space.large },
        titleStyle: { fontFamily: family.strong, fontSize: fontSize.body },
      }),
      CheckBox: () => ({
        iconType: 'material',
        checkedIcon: 'check-box',
        uncheckedIcon: 'check-box-outline-blank',
        checkedColor: palette.press,
        uncheckedColor: palette.inkSoft,
        containerStyle: {
          backgroundColor: 'transparent',
          borderWidth: 0,
          padding: 0,
          margin: 0,
          minHeight: TARGET,
          justifyContent: 'center',
        },
        textStyle: { fontFamily: family.body, fontWeight: 'normal', fontSize: fontSize.body, color: palette.ink },
      }),
    },
  });
}

/** Gives everything below it one look. */
export function Theme({ look, children }: { look: Look; children: ReactNode }) {
  const theme = useMemo(() => themeOf(look), [look]);
  return (
    // Not made anew for another look: what is half typed below it must stay.
    <PaletteInUse.Provider value={PALETTES[look]}>
      <ThemeProvider theme={theme}>{children}</ThemeProvider>
    </PaletteInUse.Provider>
  );
}

/** The colours in use. */
export const usePalette = (): Palette => useContext(PaletteInUse);

/**
 * Makes a hook that gives styles in the colours in use. Styles are made once per palette, not per render.
 */
export function stylesOf<T extends StyleSheet.NamedStyles<T>>(make: (palette: Palette) => T): () => T {
  const made = new Map<string, T>();
  return () => {
    const palette = usePalette();
    let styles = made.get(palette.ink);
    if (!styles) {
      styles = StyleSheet.create(make(palette));
      made.set(palette.ink, styles);
    }
    return styles;
  };
}
