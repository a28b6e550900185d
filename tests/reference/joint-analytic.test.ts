import { describe, expect, it } from 'vitest';
import { COPPER } from '~/core/materials/copper';
import { LAMINATES } from '~/core/materials/laminates';
import { TIP_CONSTRUCTIONS, TIP_CONTACT } from '~/core/materials/tips';
import { RingBuilder, ringMesh } from '~/core/thermal/joint/rings';
import { NOMINAL, type Iron } from '~/core/thermal/joint/scenario';
import { addTip, taperResistance_K_W } from '~/core/thermal/joint/tip';
import { integrate } from '~/core/thermal/network/integrate';
import { NetworkBuilder } from '~/core/thermal/network/network';

/** Exponential integral E₁ by its series, good for x up to a few (Abramowitz & Stegun 5.1.11). */
function e1(x: number): number {
  let sum = -0.5772156649015329 - Math.log(x);
  let term = -1;
  for (let n = 1; n < 60; n++) {
    term *= -x / n;
    sum += term / n;
  }
  return sum;
}

// Carslaw & Jaeger §10.4: a steady line source in a plane, ΔT = q/(4πσ) E₁(r²/4αt); α is conductance over heat, both by area.
describe('a pin that gives steady power to a plane: line source in a sheet', () => {
  const board = {
    length_m: 0.4,
    width_m: 0.4,
    thickness_m: 0.2e-3,
    laminate: 'fr4-standard',
    copper: [
      { thickness_m: 70e-6, coverage: 1 },
      { thickness_m: 70e-6, coverage: 1 },
    ],
  } as const;
  const connections = [{ kind: 'solid-plane', layers: [1, 2] }] as const;
  const laminate = LAMINATES['fr4-standard'];
  const sheet_W_K =
    2 * COPPER.conductivity.value * 70e-6 + laminate.conductivityInPlane.value * board.thickness_m;
  const heat_J_m2K =
    2 * COPPER.volumetricHeat.value * 70e-6 + laminate.volumetricHeat.value * board.thickness_m;
  const POWER_W = 5;

  const net = new NetworkBuilder();
  const still = { film_W_m2K: 1e-9, air_K: 300 };
  const size = { barrelRadius_m: 0.4e-3, landRadius_m: 0.8e-3 };
  const mesh = ringMesh({ board, connections }, size, true, NOMINAL, 26);
  const around = { board_K: 300, nearFilm: still, farFilm: still, ironOnTop: true };
  const rings = new RingBuilder(net, { board, connections }, around, mesh, NOMINAL);
  const source = net.node(1e-6, 300);
  const field = rings.close(
    mesh.sheets.map((_, sheet) => ({ node: source, sheet, sector: null, solid_W_K: 1, liquid_W_K: 1 })),
  );
  // A heater far under its setting gives its limit and nothing else.
  net.heater({ node: source, setpoint_K: 1e6, gain_W_K: 1, limit_W: POWER_W });
  const network = net.done();

  for (const time_s of [10, 30])
    it(`at ${time_s} s, 3 to 24 mm away, within 3 %`, () => {
      const near = field.node.map((ring) => ring[0]!);
      const run = integrate(network, { duration_s: time_s, tracked: near, maxStep_s: 0.1 });
      for (const away_m of [3e-3, 6e-3, 12e-3, 24e-3]) {
        const outer = field.radius_m.findIndex((r) => r >= away_m);
        const [a, b] = [field.radius_m[outer - 1]!, field.radius_m[outer]!];
        const share = Math.log(away_m / a) / Math.log(b / a);
        const [inner_K, outer_K] = [
          run.recorded.history_K(outer - 1).at(-1)!,
          run.recorded.history_K(outer).at(-1)!,
        ];
        const rise_K = inner_K + share * (outer_K - inner_K) - 300;
        const wanted_K =
          (POWER_W / (4 * Math.PI * sheet_W_K)) * e1((away_m ** 2 * heat_J_m2K) / (4 * sheet_W_K * time_s));
        expect(Math.abs(rise_K / wanted_K - 1), `${away_m} m`).toBeLessThan(0.03);
      }
    });
});

// Incropera ch. 3: steady conduction in series; the controller is a line from its setting.
describe('what a tip’s face falls by when it gives steady power', () => {
  it.each(['cartridge', 'slip-on'] as const)('of a %s, by its resistances within 0.2 %', (construction) => {
    const iron: Iron = {
      setpoint_K: 633.15,
      power_W: 65,
      tip: { shape: 'chisel', width_m: 2.4e-3, construction },
      fluxed: true,
      freshSolder: false,
    };
    const ambient_K = 296.15;
    const made = TIP_CONSTRUCTIONS[construction];
    const taper_K_W = taperResistance_K_W(iron.tip);
    const idle_W_K = TIP_CONTACT.idleLoss.value;
    const sink_W_K = 0.05;
    const net = new NetworkBuilder();
    const { face } = addTip(net, iron, ambient_K, NOMINAL);
    net.toAir(face, sink_W_K, ambient_K);
    const run = integrate(net.done(), { duration_s: 600, tracked: [face] });

    // At rest the face is at its setting, so the controller's own setting lies above it by what idling costs.
    const idle_W = idle_W_K * (iron.setpoint_K - ambient_K);
    const gain_W_K = iron.power_W / TIP_CONTACT.proportionalBand.value;
    const set_K = iron.setpoint_K + idle_W * made.bondResistance.value + idle_W / gain_W_K;
    // Body meets the setting through control and bond, the room through its idle loss and through taper and sink.
    const up_W_K = 1 / (1 / gain_W_K + made.bondResistance.value);
    const down_W_K = 1 / (taper_K_W + 1 / sink_W_K);
    const body_K = (up_W_K * set_K + (idle_W_K + down_W_K) * ambient_K) / (up_W_K + idle_W_K + down_W_K);
    const face_K = body_K - down_W_K * (body_K - ambient_K) * taper_K_W;
    const fall_K = iron.setpoint_K - face_K;
    expect(fall_K).toBeGreaterThan(10);
    expect(Math.abs((iron.setpoint_K - run.recorded.history_K(0).at(-1)!) / fall_K - 1)).toBeLessThan(0.002);
  });
});
