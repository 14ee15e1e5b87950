import type { MixtureModel } from './mixture-model';
import { Phase } from './phase';
import { TauSide } from './residual-sum';

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
    // phases of a pure fluid at rest beside each other have one τ
    const shared = model.substances.length === 1 ? new TauSide(model.plan) : undefined;
    const phase = () => new Phase(model, shared);
    workspace = { parent: phase(), incipient: phase(), liquid: phase(), vapour: phase() };
    workspaces.set(model, workspace);
  }
  return workspace;
}
