/** A solder lump of a network: what it takes to melt it. */
export interface MeltingNode {
  readonly node: number;
  readonly solidus_K: number;
  readonly liquidus_K: number;
  readonly capacitySolid_J_K: number;
  readonly capacityLiquid_J_K: number;
  readonly latent_J: number;
  /** A temperature over its liquidus that somebody waits for: steps end near it as near a change of phase. */
  readonly noted_K?: number | undefined;
}

/** A heater with a proportional controller that reads its own temperature. */
export interface HeaterNode {
  readonly node: number;
  readonly setpoint_K: number;
  readonly gain_W_K: number;
  readonly limit_W: number;
}

/** Two nodes and what passes between them; the melt of either end moves it from solid to liquid. */
export interface Edge {
  readonly from: number;
  readonly to: number;
  readonly solid_W_K: number;
  readonly liquid_W_K: number;
}

/**
 * Links that take time to open: of what they would conduct they begin with `dryShare` and reach all of it evenly over
 * `over_s`; where it waits for a lump's melt, time counts by how much of that is liquid.
 */
export interface Wetting {
  /** By their place among the edges. */
  readonly edges: readonly number[];
  readonly dryShare: number;
  readonly over_s: number;
  /** Node of a melting lump, or null where it begins at once. */
  readonly waitsFor: number | null;
}

export interface AmbientLink {
  readonly node: number;
  readonly conductance_W_K: number;
  readonly temperature_K: number;
}

/**
 * Lumps, links and surroundings. Nodes that melt, are heated or meet solder should come last: what lies
 * before the first of them is eliminated once for each length of step.
 */
export interface ThermalNetwork {
  readonly size: number;
  /** Sensible capacity; a melting node takes its own from `melting`. */
  readonly capacity_J_K: Float64Array;
  readonly initial_K: Float64Array;
  readonly edges: readonly Edge[];
  readonly ambient: readonly AmbientLink[];
  readonly melting: readonly MeltingNode[];
  readonly heaters: readonly HeaterNode[];
  readonly wettings: readonly Wetting[];
}

/** Collects a network piece by piece; `done` checks that every number is finite and positive. */
export class NetworkBuilder {
  private readonly capacities: number[] = [];
  private readonly initial: number[] = [];
  private readonly edges: Edge[] = [];
  private readonly ambient: AmbientLink[] = [];
  private readonly melting: MeltingNode[] = [];
  private readonly heaters: HeaterNode[] = [];
  private readonly wettings: Wetting[] = [];

  node(capacity_J_K: number, initial_K: number): number {
    this.capacities.push(capacity_J_K);
    this.initial.push(initial_K);
    return this.capacities.length - 1;
  }

  solder(lump: Omit<MeltingNode, 'node'>, initial_K: number): number {
    const { solidus_K, liquidus_K, capacitySolid_J_K, capacityLiquid_J_K, latent_J, noted_K } = lump;
    const node = this.node(capacitySolid_J_K, initial_K);
    this.melting.push({
      node,
      solidus_K,
      liquidus_K,
      capacitySolid_J_K,
      capacityLiquid_J_K,
      latent_J,
      noted_K,
    });
    return node;
  }

  /** Returns its place among the edges. */
  link(from: number, to: number, solid_W_K: number, liquid_W_K = solid_W_K): number {
    return this.edges.push({ from, to, solid_W_K, liquid_W_K }) - 1;
  }

  wets(wetting: Wetting): void {
    this.wettings.push(wetting);
  }

  toAir(node: number, conductance_W_K: number, temperature_K: number): void {
    this.ambient.push({ node, conductance_W_K, temperature_K });
  }

  heater(heater: HeaterNode): void {
    this.heaters.push(heater);
  }

  /** A hand on this network through which everything counts `count` times over: one stands for as many alike. */
  times(count: number): NetworkBuilder {
    return count === 1 ? this : new Repeated(this, count);
  }

  done(): ThermalNetwork {
    for (let node = 0; node < this.capacities.length; node++) {
      const capacity_J_K = this.capacities[node]!;
      if (!isPositive(capacity_J_K)) throw new Error(`node ${node} has capacity ${capacity_J_K}`);
    }
    for (const { from, to, solid_W_K, liquid_W_K } of this.edges) {
      if (isPositive(solid_W_K) && isPositive(liquid_W_K)) continue;
      throw new Error(`link ${from}–${to} conducts ${solid_W_K} W/K`);
    }
    return {
      size: this.capacities.length,
      capacity_J_K: new Float64Array(this.capacities),
      initial_K: new Float64Array(this.initial),
      edges: this.edges,
      ambient: this.ambient,
      melting: this.melting,
      heaters: this.heaters,
      wettings: this.wettings,
    };
  }
}

const isPositive = (value: number): boolean => value > 0 && value < Infinity;

/** Alike lumps side by side carry and hold as many times what one of them does. */
class Repeated extends NetworkBuilder {
  constructor(
    private readonly all: NetworkBuilder,
    private readonly count: number,
  ) {
    super();
  }

  override node(capacity_J_K: number, initial_K: number): number {
    return this.all.node(this.count * capacity_J_K, initial_K);
  }

  override solder(lump: Omit<MeltingNode, 'node'>, initial_K: number): number {
    const { count } = this;
    return this.all.solder(
      {
        ...lump,
        capacitySolid_J_K: count * lump.capacitySolid_J_K,
        capacityLiquid_J_K: count * lump.capacityLiquid_J_K,
        latent_J: count * lump.latent_J,
      },
      initial_K,
    );
  }

  override link(from: number, to: number, solid_W_K: number, liquid_W_K = solid_W_K): number {
    return this.all.link(from, to, this.count * solid_W_K, this.count * liquid_W_K);
  }

  override toAir(node: number, conductance_W_K: number, temperature_K: number): void {
    this.all.toAir(node, this.count * conductance_W_K, temperature_K);
  }
}
