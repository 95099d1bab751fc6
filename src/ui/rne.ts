/**
 * The parts of React Native Elements the interface uses, taken one by one: the package's own index pulls all of it into
 * the first view.
 */
export { default as Button } from '@rneui/themed/dist/Button';
export { default as CheckBox } from '@rneui/themed/dist/CheckBox';
export { default as Input } from '@rneui/themed/dist/Input';
export { default as Overlay } from '@rneui/themed/dist/Overlay';
export { ThemeProvider, createTheme } from '@rneui/themed/dist/config';
