// The long list, for the parts of the application that have one: taken by its own path, it stays out of the first view.
export { default as FlatList } from 'react-native-web/dist/exports/FlatList';
