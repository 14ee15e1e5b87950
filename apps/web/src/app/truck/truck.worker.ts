/// <reference lib="webworker" />
import { expose } from 'comlink';
import loadSolver from 'highs';
import { truckApi } from './truck-api';

/** The solver is a megabyte of WebAssembly: it comes with the first question, from our own server. */
expose(truckApi(loadSolver({ locateFile: (file) => `/solver/${file}` })));
