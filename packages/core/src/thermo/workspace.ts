import type { MixtureModel } from './mixture-model';
import { Phase } from './phase';

/**
 * Phases of a model to solve in, made once: making their arrays anew would take longer than a solve. A solve is synchronous and
 * hands out copies, so no two solves ever share them.
 */
export interface Workspace {
  readonly parent: Phase;
  readonly incipient: Phase;
  /** For a closed vessel: neither composition is held. */
  readonly liquid: Phase;
  readonly vapour: Phase;
}

const workspaces = new WeakMap<MixtureModel, Workspace>();

export function workspaceOf(model: MixtureModel): Workspace {
  let workspace = workspaces.get(model);
  if (workspace === undefined) {
    workspace = { parent: new Phase(model), incipient: new Phase(model), liquid: new Phase(model), vapour: new Phase(model) };
    workspaces.set(model, workspace);
  }
  return workspace;
}
