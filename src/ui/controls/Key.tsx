import MaterialIcons from '@expo/vector-icons/MaterialIcons';
import { Button } from '@/ui/rne';
import { memo, type ComponentProps } from 'react';
import { View } from 'react-native';
import { Txt } from '../Txt';
import { TARGET, space } from '../theme/measures';
import { usePalette } from '../theme/theme';

export type IconName = ComponentProps<typeof MaterialIcons>['name'];

interface Props {
  title: string;
  onPress: () => void;
  /** How strongly it asks to be pressed. */
  weight?: 'strong' | 'outline' | 'plain';
  icon?: IconName;
  /** Shows only the icon; the title stays for screen readers. */
  iconOnly?: boolean;
  disabled?: boolean;
  /** Why it is disabled; stands next to it. */
  why?: string;
  /** For keys that open something or stay pressed. */
  expanded?: boolean;
  testID?: string;
}

const ICON_SIZE = 22;

/** A key to press. */
export const Key = memo(function Key({
  title,
  onPress,
  weight = 'outline',
  icon,
  iconOnly = false,
  disabled = false,
  why,
  expanded,
  testID,
}: Props) {
  const palette = usePalette();
  const colour = weight === 'strong' ? palette.onPress : palette.press;
  const button = (
    <Button
      title={iconOnly ? '' : title}
      type={weight === 'strong' ? 'solid' : weight === 'outline' ? 'outline' : 'clear'}
      onPress={onPress}
      disabled={disabled}
      aria-label={disabled && why ? `${title}: ${why}` : title}
      {...(expanded === undefined ? {} : { 'aria-expanded': expanded })}
      {...(testID === undefined ? {} : { testID })}
      icon={
        icon ? (
          <MaterialIcons
            name={icon}
            size={ICON_SIZE}
            color={disabled ? palette.inkSoft : colour}
            style={iconOnly ? undefined : { marginRight: space.small }}
          />
        ) : undefined
      }
      buttonStyle={{
        minHeight: TARGET,
        minWidth: TARGET,
        backgroundColor: weight === 'strong' ? palette.press : 'transparent',
        borderColor: palette.press,
        ...(iconOnly ? { paddingHorizontal: space.small } : {}),
      }}
      titleStyle={{ color: colour }}
    />
  );
  return disabled && why ? (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: space.medium, flexShrink: 1 }}>
      {button}
      <Txt kind="small" tone="soft" style={{ flexShrink: 1 }}>
        {why}
      </Txt>
    </View>
  ) : (
    button
  );
});
