import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Line, Text as SvgText } from 'react-native-svg';
import { labelled } from '../gauge/labelled';
import { tick, useFieldModes } from '../fieldModes';
import { HAIRLINE, RADIUS, family, fontSize, space } from '../theme/measures';
import { elementOf, webStyle } from '../web';
import { Key } from './Key';
import { stylesOf, usePalette } from '../theme/theme';

/** Height of the ruled strip, and how many px a tenfold change takes: wide enough for one per cent a pixel and finer. */
const HEIGHT = 60;
const PX_PER_DECADE = 420;
/** What one press of a key beside the rule changes. */
const STEP = 0.05;
/** Between two figures at least, px. */
const LABEL_GAP = 6;

export interface RulerProps {
  /** What is set, for screen readers: "Distance". */
  label: string;
  value: number;
  minimum: number;
  maximum: number;
  /** The value in words, with its unit. */
  valueText: string;
  /** Factor between the unit shown on the strip and the unit of the value (1 ÷ 0.3048 for feet on metres). */
  perUnit?: number;
  /** Rounds what a drag gives to what a person would set. */
  rounded: (value: number) => number;
  onChange: (value: number) => void;
  disabled?: boolean;
}

interface Tick {
  at: number;
  size: 'long' | 'middle' | 'short';
  /** Its figure, and how much it wants to be written: tens first, then fives and twos. */
  text?: string;
  rank: number;
}

/** Ticks of a logarithmic scale: tens, units with figures where they have room, halves between. */
function ticksOf(minimum: number, maximum: number): Tick[] {
  const ticks: Tick[] = [];
  for (let decade = Math.floor(Math.log10(minimum)); decade <= Math.ceil(Math.log10(maximum)); decade++) {
    for (let tenth = 10; tenth < 100; tenth += tenth < 20 ? 1 : tenth < 50 ? 2 : 5) {
      // The divisions thin out towards the next ten, as on a slide rule.
      const value = (tenth / 10) * 10 ** decade;
      if (value < minimum * 0.999 || value > maximum * 1.001) continue;
      const unit = tenth % 10 === 0;
      const middle = tenth % 5 === 0;
      ticks.push({
        at: value,
        size: unit ? 'long' : middle ? 'middle' : 'short',
        rank: tenth === 10 ? 0 : tenth === 20 || tenth === 50 ? 1 : tenth === 15 ? 3 : 2,
        ...(unit || tenth === 15 ? { text: String(Number(value.toPrecision(2))) } : {}),
      });
    }
  }
  return ticks;
}

/** The engraved strip. It is drawn once; a drag only moves it. */
const Strip = memo(function Strip({ minimum, maximum, width }: { minimum: number; maximum: number; width: number }) {
  const palette = usePalette();
  const x = (value: number) => Math.log10(value / minimum) * PX_PER_DECADE;
  const ticks = useMemo(() => ticksOf(minimum, maximum), [minimum, maximum]);
  const labels = useMemo(() => {
    const wanted = ticks.flatMap(({ at, text, rank }) =>
      text === undefined ? [] : [{ item: at, at: Math.log10(at / minimum) * PX_PER_DECADE, text, rank }],
    );
    return labelled(wanted, fontSize.small, LABEL_GAP);
  }, [ticks, minimum]);
  const length = { long: 20, middle: 14, short: 8 };
  return (
    <Svg width={width} height={HEIGHT} style={sheet.overflow}>
      <Line x1={0} y1={0.5} x2={width} y2={0.5} stroke={palette.ink} strokeWidth={HAIRLINE} />
      {ticks.map((tick) => (
        <Line
          key={tick.at}
          x1={x(tick.at)}
          x2={x(tick.at)}
          y1={0}
          y2={length[tick.size]}
          stroke={palette.ink}
          strokeWidth={HAIRLINE}
        />
      ))}
      {labels.map(({ at, text }) => (
        <SvgText
          key={text}
          x={at}
          y={50}
          fill={palette.ink}
          fontSize={fontSize.small}
          fontFamily={family.figure}
          textAnchor="middle"
        >
          {text}
        </SvgText>
      ))}
    </Svg>
  );
});

/** Whether a figure of the strip passes the needle between two values, in the unit shown. */
export function passesFigure(from: number, to: number): boolean {
  const [low, high] = from < to ? [from, to] : [to, from];
  // Down, the figure that is reached counts; up as well: one step, one tick.
  return ticksOf(low, high).some(({ at, size }) => size === 'long' && at !== from && at >= low && at <= high);
}

const clamp = (value: number, minimum: number, maximum: number) => Math.min(maximum, Math.max(minimum, value));

/** What a rule is set to now, and what becomes of another value. */
type Setting = Required<Pick<RulerProps, 'value' | 'minimum' | 'maximum' | 'rounded' | 'onChange' | 'perUnit'>> & {
  ruleTick: boolean;
};

function setTo(now: Setting, next: number): void {
  const settled = clamp(now.rounded(clamp(next, now.minimum, now.maximum)), now.minimum, now.maximum);
  if (settled === now.value) return;
  if (now.ruleTick && passesFigure(now.value * now.perUnit, settled * now.perUnit)) tick();
  now.onChange(settled);
}

/** Moves by a share of the value. A step smaller than the rounding must still move. */
function nudge(now: Setting, share: number): void {
  const settled = now.rounded(now.value * (1 + share));
  setTo(now, settled === now.value ? now.value + Math.sign(share) * smallestStep(now.value, now.rounded) : settled);
}

/**
 * A slide rule for one value: the strip is pulled along beneath a fixed needle. Logarithmic, so that a small pull is the
 * same percentage everywhere. Takes touch and mouse, the wheel, arrow keys (1 %), page keys (10 %), home and end.
 */
export function Ruler({
  label,
  value,
  minimum,
  maximum,
  valueText,
  perUnit = 1,
  rounded,
  onChange,
  disabled = false,
}: RulerProps) {
  const styles = useStyles();
  const [width, setWidth] = useState(0);
  const host = useRef<View>(null);
  const start = useRef(value);
  // Listeners outlive a render; they read the newest values from here.
  const { oneHand, ruleTick } = useFieldModes();
  const latest = useRef({ value, minimum, maximum, rounded, onChange, perUnit, ruleTick });
  useEffect(() => {
    latest.current = { value, minimum, maximum, rounded, onChange, perUnit, ruleTick };
  });

  useEffect(() => {
    const element = elementOf(host);
    if (!element || disabled || typeof element.addEventListener !== 'function') return;
    const onKey = (event: KeyboardEvent) => {
      const moves: Record<string, () => void> = {
        ArrowRight: () => nudge(latest.current, 0.01),
        ArrowUp: () => nudge(latest.current, 0.01),
        ArrowLeft: () => nudge(latest.current, -0.01),
        ArrowDown: () => nudge(latest.current, -0.01),
        PageUp: () => nudge(latest.current, 0.1),
        PageDown: () => nudge(latest.current, -0.1),
        Home: () => setTo(latest.current, latest.current.minimum),
        End: () => setTo(latest.current, latest.current.maximum),
      };
      const move = moves[event.key];
      if (!move) return;
      event.preventDefault();
      move();
    };
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      nudge(latest.current, event.deltaY < 0 ? 0.02 : -0.02);
    };
    // A drag: pointer events reach mouse, touch and pen alike; `touch-action` below leaves vertical scrolling to the page.
    let startX: number | null = null;
    const onDown = (event: PointerEvent) => {
      if (event.button !== 0) return;
      startX = event.clientX;
      start.current = latest.current.value;
      element.setPointerCapture(event.pointerId);
    };
    const onMove = (event: PointerEvent) => {
      if (startX !== null) setTo(latest.current, start.current * 10 ** (-(event.clientX - startX) / PX_PER_DECADE));
    };
    const onUp = () => {
      startX = null;
    };
    element.addEventListener('pointerdown', onDown);
    element.addEventListener('pointermove', onMove);
    element.addEventListener('pointerup', onUp);
    element.addEventListener('pointercancel', onUp);
    element.addEventListener('keydown', onKey);
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => {
      element.removeEventListener('pointerdown', onDown);
      element.removeEventListener('pointermove', onMove);
      element.removeEventListener('pointerup', onUp);
      element.removeEventListener('pointercancel', onUp);
      element.removeEventListener('keydown', onKey);
      element.removeEventListener('wheel', onWheel);
    };
    // With keys beside it the strip is another element.
  }, [disabled, oneHand]);

  const low = minimum * perUnit;
  const high = maximum * perUnit;
  const stripWidth = Math.log10(high / low) * PX_PER_DECADE;
  const offset = width / 2 - Math.log10(value / minimum) * PX_PER_DECADE;
  const strip = (
    <View
      ref={host}
      style={[styles.host, disabled && styles.disabled]}
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      role="slider"
      tabIndex={disabled ? -1 : 0}
      aria-label={label}
      aria-valuemin={minimum}
      aria-valuemax={maximum}
      aria-valuenow={value}
      aria-valuetext={valueText}
      aria-disabled={disabled}
    >
      <View style={[styles.strip, { width: stripWidth, transform: [{ translateX: offset }] }]} pointerEvents="none">
        <Strip minimum={low} maximum={high} width={stripWidth} />
      </View>
      <Needle />
    </View>
  );
  if (!oneHand) return strip;
  return (
    <View style={styles.withKeys}>
      <Key
        title={`${label}: less`}
        icon="remove"
        iconOnly
        disabled={disabled}
        onPress={() => nudge(latest.current, -STEP)}
      />
      <View style={styles.between}>{strip}</View>
      <Key
        title={`${label}: more`}
        icon="add"
        iconOnly
        disabled={disabled}
        onPress={() => nudge(latest.current, STEP)}
      />
    </View>
  );
}

const Needle = memo(function Needle() {
  return <View style={useStyles().needle} pointerEvents="none" />;
});

/** The smallest change that survives the rounding at a value. */
function smallestStep(value: number, rounded: (value: number) => number): number {
  for (let step = value / 1000; step < value; step *= 2) {
    const change = Math.abs(rounded(value + step) - value);
    if (change > 0) return change;
  }
  return value;
}

const sheet = StyleSheet.create({ overflow: { overflow: 'visible' } });

const useStyles = stylesOf((palette) => ({
  host: {
    height: HEIGHT,
    overflow: 'hidden',
    borderTopWidth: 0,
    borderRadius: RADIUS,
    backgroundColor: palette.raised,
    ...webStyle({ cursor: 'grab', touchAction: 'pan-y' }),
    userSelect: 'none',
  },
  withKeys: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  between: { flex: 1, minWidth: 0 },
  disabled: { opacity: 0.5, ...webStyle({ cursor: 'auto' }) },
  strip: { position: 'absolute', left: 0, top: 0, height: HEIGHT },
  needle: {
    position: 'absolute',
    left: '50%',
    marginLeft: -1,
    top: 0,
    height: 32,
    width: 3,
    backgroundColor: palette.needle,
  },
}));
