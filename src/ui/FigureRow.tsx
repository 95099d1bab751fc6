import type { ReactNode } from 'react';
import { View } from 'react-native';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import { Figure } from './Figure';
import { space } from './theme/measures';

/** Figures beside each other, as many as the width allows. */
export const FigureRow = ({ children }: { children: ReactNode }) => (
  <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space.page, rowGap: space.small }}>{children}</View>
);

/** A number to be shown under a name; what is not known stays out. */
export interface NamedFigure {
  name: string;
  quantity: Quantity | undefined;
}

interface Props {
  figures: readonly NamedFigure[];
  units: UnitSystem;
  /** Opens the derivation of a number. */
  ask: (quantity: Quantity) => void;
}

/** A row of figures from a list. */
export const FigureList = ({ figures, units, ask }: Props) => (
  <FigureRow>
    {figures.map(({ name, quantity }) =>
      quantity ? (
        <Figure key={name} label={name} name={name} quantity={quantity} units={units} onWhy={() => ask(quantity)} />
      ) : null,
    )}
  </FigureRow>
);
