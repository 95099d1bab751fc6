import type { AfocalSpec } from './kinds/afocal';
import type { BarlowSpec } from './kinds/barlow';
import type { BellowsSpec } from './kinds/bellows';
import type { BuiltInSpec } from './kinds/builtIn';
import type { CloseUpSpec } from './kinds/closeUp';
import type { ConverterSpec } from './kinds/converter';
import type { CouplingSpec } from './kinds/coupling';
import type { FilterSpec } from './kinds/filter';
import type { InnerConverterSpec } from './kinds/innerConverter';
import type { LensSpec } from './kinds/lens';
import type { MountAdapterSpec } from './kinds/mountAdapter';
import type { ObjectiveSpec } from './kinds/objective';
import type { ReducerSpec } from './kinds/reducer';
import type { ReversingSpec } from './kinds/reversing';
import type { ScopeSpec } from './kinds/scope';
import type { TelescopeSpec } from './kinds/telescope';
import type { TubeLensSpec } from './kinds/tubeLens';
import type { TubesSpec } from './kinds/tubes';

export type OpticPart = LensSpec | BuiltInSpec | TelescopeSpec | ScopeSpec | ObjectiveSpec;
export type AdapterPart =
  | ConverterSpec
  | InnerConverterSpec
  | ReducerSpec
  | BarlowSpec
  | TubesSpec
  | BellowsSpec
  | CloseUpSpec
  | FilterSpec
  | ReversingSpec
  | CouplingSpec
  | TubeLensSpec
  | AfocalSpec
  | MountAdapterSpec;
export type Part = OpticPart | AdapterPart;
export type PartKind = Part['kind'];
export type PartOf<K extends PartKind> = Extract<Part, { kind: K }>;

/** A part that multiplies focal length and f-number and can be put in or taken out. */
export type FactorPart = ConverterSpec | ReducerSpec | BarlowSpec;
/** A lens one can take a picture with by itself. */
export type CameraLens = LensSpec | BuiltInSpec;

/** The side of a body that a chain meets. */
export interface BodySide {
  name: string;
  mount?: string | undefined;
  /** Distance from the mount's face to the sensor, mm. */
  flangeMm?: number | undefined;
}

export const isFactor = (part: Part): part is FactorPart =>
  part.kind === 'converter' || part.kind === 'reducer' || part.kind === 'barlow';
export const isCameraLens = (part: Part): part is CameraLens => part.kind === 'lens' || part.kind === 'builtIn';

export type {
  AfocalSpec,
  BarlowSpec,
  BellowsSpec,
  BuiltInSpec,
  CloseUpSpec,
  ConverterSpec,
  CouplingSpec,
  FilterSpec,
  InnerConverterSpec,
  LensSpec,
  MountAdapterSpec,
  ObjectiveSpec,
  ReducerSpec,
  ReversingSpec,
  ScopeSpec,
  TelescopeSpec,
  TubeLensSpec,
  TubesSpec,
};
