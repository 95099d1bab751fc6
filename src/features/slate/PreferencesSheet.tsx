import { PREFERENCES, type Preferences } from '@/core/preferences';
import { usePreferences } from '@/data/preferences';
import { Sheet } from '@/ui/Sheet';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { InTheField } from './InTheField';

/** One preference of the table, as a choice. */
function PreferenceChoice<K extends keyof Preferences>({ name }: { name: K }) {
  const value = usePreferences((state) => state[name]);
  const prefer = usePreferences((state) => state.prefer);
  const { name: label, choices } = PREFERENCES[name];
  return (
    <Choice<string>
      label={label}
      value={value}
      options={choices}
      onChange={(choice) => {
        const chosen = choices.find((each) => each.value === choice);
        if (chosen) prefer({ [name]: chosen.value });
      }}
    />
  );
}

/** What suits a person: how the interface behaves in the field, units, and the schools that can be told apart. Kept on this device. */
export default function PreferencesSheet({ onClose }: { onClose: () => void }) {
  return (
    <Sheet title="Preferences" onClose={onClose}>
      <InTheField />
      <PreferenceChoice name="units" />
      <PreferenceChoice name="cropConvention" />
      <PreferenceChoice name="judgeBy" />
      <PreferenceChoice name="cocSchool" />
      <PreferenceChoice name="handBy" />
      <PreferenceChoice name="handRatioBy" />
      <PreferenceChoice name="isoBy" />
      <Txt kind="small" tone="soft">
        Fields take a comma or a point, and a unit of their own: “12,5”, “40 ft”, “3 in”.
      </Txt>
    </Sheet>
  );
}
