/** Where and when the demo stands under the sky: the sea wall of its stories, on the evening its star picture was taken. */
export const DEMO_EVENING = {
  site: { name: 'Sea wall', latitudeDeg: 53.4, longitudeDeg: 0.2, heightM: 5, zone: 'Europe/London' },
  day: '2026-11-07',
} as const;
