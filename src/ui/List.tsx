// A list that draws only what is in sight. Taken from here, because metro.config.js leaves it out of the first view.
export { FlatList } from 'react-native';
