import data from './parameters.json';

/** What a scenario is built with where no record gives it: share of a circuit on its high side, how full a cylinder without a known limit may get, which one takes it before one is chosen, and what is no transfer that could be followed. */
export const usualTransfer = {
  condenserShare: data.system.condenserShare,
  fillOfUnknownLimit: data.fillOfUnknownLimit,
  usualCylinder: data.usualCylinder,
  least: data.least,
} as const;
