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
    workspace = new Phases(model);
    workspaces.set(model, workspace);
  }
  return workspace;
}

/** Made when they are first used: who asks for boiling points of thousands of mixtures needs no closed vessels. */
class Phases implements Workspace {
  readonly parent: Phase;
  readonly incipient: Phase;
  private filled: { readonly liquid: Phase; readonly vapour: Phase } | undefined;
  /** Phases of a pure fluid at rest beside each other have one τ. */
  private readonly shared: TauSide | undefined;

  constructor(private readonly model: MixtureModel) {
    this.shared = model.substances.length === 1 ? new TauSide(model.plan) : undefined;
    this.parent = this.phase();
    this.incipient = this.phase();
  }

  get liquid(): Phase {
    return this.vessel().liquid;
  }

  get vapour(): Phase {
    return this.vessel().vapour;
  }

  private vessel() {
    this.filled ??= { liquid: this.phase(), vapour: this.phase() };
    return this.filled;
  }

  private phase = () => new Phase(this.model, this.shared);
}
