import type { StoredOf } from '@/contract/resources';
import type { Outing } from '@/contract/schemas/outing';
import { SITES } from '@/core/sky/sites';
import { replaceRow } from '@/data/rowActions';
import { RowForm } from '@/features/kit/LazyRowForm';
import { choiceOf, number, text, type PathIn, type Section } from '@/features/kit/formFields';
import { Sheet } from '@/ui/Sheet';

/** When, where, and what else is carried. */
const SECTIONS: Section<PathIn<Outing>>[] = [
  {
    title: 'Day and place',
    open: true,
    fields: [
      text('name', 'Name'),
      text('day', 'Day, as year-month-day'),
      choiceOf('span', 'Day or night', { day: 'Day', night: 'Night that begins then' }),
      text('place.name', 'Name of the place'),
      number('place.latitudeDeg', 'Latitude, north positive', '°'),
      number('place.longitudeDeg', 'Longitude, east positive', '°'),
      {
        kind: 'choice',
        path: 'place.name',
        label: 'or a place of the list',
        options: SITES.map(({ name }) => ({ value: name, name })),
        brings: (next) => {
          const site = SITES.find(({ name }) => name === next);
          return site
            ? {
                'place.latitudeDeg': site.latitudeDeg,
                'place.longitudeDeg': site.longitudeDeg,
                'place.heightM': site.heightM,
                'place.zone': site.zone,
              }
            : {};
        },
      },
    ],
  },
  {
    title: 'Cards, batteries, support, tide',
    open: true,
    fields: [
      number('cardGb', 'Room on the cards', 'GB'),
      number('batteries', 'Full batteries'),
      number('supportWeightG', 'Weight of the support', 'g'),
      number('otherWeightG', 'Weight of all else', 'g'),
      text('tide', 'Tide, by your own table', true),
      { kind: 'text', path: 'note', label: 'Note', multiline: true, optional: true },
    ],
  },
];

/** The form of an outing: day, place, and what else is carried. */
export default function FactsSheet({ row, onClose }: { row: StoredOf<'outings'>; onClose: () => void }) {
  return (
    <Sheet title="Day and place" onClose={onClose}>
      <RowForm
        resource="outings"
        sections={SECTIONS}
        initial={row.data}
        draftKey={`outings:${row.id}`}
        onSave={(data) => {
          // A zone that was brought along belongs to the coordinates it came with.
          const { zone, ...place } = data.place;
          const moved =
            place.latitudeDeg !== row.data.place.latitudeDeg || place.longitudeDeg !== row.data.place.longitudeDeg;
          const listed = SITES.find((site) => site.name === place.name && site.latitudeDeg === place.latitudeDeg);
          const kept = listed?.zone ?? (moved ? undefined : zone);
          replaceRow('outings', row, {
            ...data,
            place: { ...place, ...(kept ? { zone: kept } : {}) },
          });
          onClose();
        }}
      />
    </Sheet>
  );
}
