// Builds everything, unless it is built already.
import { build } from './ready.mjs';

build();
