/// <reference lib="webworker" />
import { expose } from 'comlink';
import { coreApi } from './core-api';

/** The computation core beside the interface: whatever takes more than a few milliseconds happens here. */
expose(coreApi);
