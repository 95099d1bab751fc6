import { benchSharpness } from './sharpness'; benchSharpness(200);
