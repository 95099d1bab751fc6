import type { ValidateFunction } from 'ajv';
import type { FarInputData } from '../schemas/farInput';
import type { NearInputData } from '../schemas/nearInput';
import type { SystemInputData } from '../schemas/systemInput';
import type { ResourceTypes } from '../resources';
import type { WholeData } from '../wholeData';

export const bodies: ValidateFunction<ResourceTypes['bodies']>;
export const optics: ValidateFunction<ResourceTypes['optics']>;
export const adapters: ValidateFunction<ResourceTypes['adapters']>;
export const setups: ValidateFunction<ResourceTypes['setups']>;
export const subjects: ValidateFunction<ResourceTypes['subjects']>;
export const outputs: ValidateFunction<ResourceTypes['outputs']>;
export const readings: ValidateFunction<ResourceTypes['readings']>;
export const ratios: ValidateFunction<ResourceTypes['ratios']>;
export const nearInput: ValidateFunction<NearInputData>;
export const farInput: ValidateFunction<FarInputData>;
export const systemInput: ValidateFunction<SystemInputData>;
export const wholeData: ValidateFunction<WholeData>;
