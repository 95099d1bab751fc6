import { View } from 'react-native';
import { canKeepAwake, useAwake } from '@/data/keepAwake';
import { useSky } from '@/data/inHand';
import { usePreferences, type OwnPreferences } from '@/data/preferences';
import { Txt } from '@/ui/Txt';
import { canTick } from '@/ui/fieldModes';
import { CheckBox } from '@/ui/rne';

type Switch = { [K in keyof OwnPreferences]: OwnPreferences[K] extends boolean ? K : never }[keyof OwnPreferences];

/** One thing that is on or off, with what it does, and why it cannot be where it cannot. */
function FieldSwitch({ name, title, says }: { name: Switch; title: string; says: string }) {
  const on = usePreferences((state) => state[name]);
  const prefer = usePreferences((state) => state.prefer);
  return (
    <View>
      <CheckBox
        title={title}
        checked={on}
        onPress={() => prefer({ [name]: !on })}
        role="checkbox"
        aria-checked={on}
        aria-label={title}
      />
      <Txt kind="small" tone="soft" style={{ paddingLeft: 44, marginTop: -6 }}>
        {says}
      </Txt>
    </View>
  );
}

/** How the interface behaves outdoors: in the sun, in the dark, with one cold hand. Kept on this device. */
export function InTheField() {
  const site = useSky((state) => state.site);
  const refused = useAwake((awake) => awake.state === 'refused');
  return (
    <View style={{ gap: 4 }}>
      <Txt kind="label" tone="soft">
        In the field
      </Txt>
      <FieldSwitch
        name="oneHand"
        title="One hand"
        says="Levers, rule and slate within the thumb’s reach; keys in place of gestures."
      />
      <FieldSwitch name="fullSun" title="Full sun" says="Black on white by day." />
      <FieldSwitch
        name="nightByItself"
        title="Night look when it is dark"
        says={site ? `At ${site.name}, from the end of civil twilight.` : 'Needs a place: choose one under the Sky.'}
      />
      <FieldSwitch
        name="keepAwake"
        title="Keep the screen on"
        says={
          !canKeepAwake() || refused
            ? 'This browser does not: set a longer time in the device’s own settings.'
            : 'While Jauge is in sight. It takes battery.'
        }
      />
      <FieldSwitch
        name="ruleTick"
        title="A tick on the rule"
        says={canTick() ? 'Felt at every figure that passes the needle.' : 'This device or browser has none.'}
      />
    </View>
  );
}
