import zoneAt from '@photostructure/tz-lookup';
import { TZDate } from '@date-fns/tz';

interface Position {
  latitudeDeg: number;
  longitudeDeg: number;
}

/** The time zone of a place; at sea that of its meridian. */
export const zoneOfPlace = ({ latitudeDeg, longitudeDeg }: Position): string => zoneAt(latitudeDeg, longitudeDeg);

const offsetMin = (zone: string, ms: number): number => new TZDate(ms, zone).getTimezoneOffset();

/** The zone of a place where another is set and tells another time just now; null when the clocks agree. */
export function zoneMisfit(site: Position & { zone: string }, ms: number): string | null {
  const fitting = zoneOfPlace(site);
  return offsetMin(fitting, ms) === offsetMin(site.zone, ms) ? null : fitting;
}
