// What of the router the application uses. metro.config.js puts this in place of the package's index, which brings stacks,
// tabs, headers and their drawings into the first view.
export { Slot } from 'expo-router/build/views/Navigator';
export { useLocalSearchParams, usePathname, useRouter } from 'expo-router/build/hooks';
export { Link, Redirect } from 'expo-router/build/link/Link';
