import { SHARED } from '~/core/learning/worlds';
import { normalQuantile } from '~/core/statistics/normal';
import { uniformStream } from '~/core/statistics/random';
import { UNSURE, type Deviations } from '~/core/thermal/joint/draws';
import { at, Scene, type Course } from './scene';

/** Where a thermocouple can sit. */
export const PLACES = ['land', 'body', 'board', 'air'] as const;
export type Place = (typeof PLACES)[number];

/** How fast a place comes back to the board's own temperature once nothing heats it, s. */
const BACK_s: Readonly<Record<Place, number>> = { land: 5, body: 25, board: 40, air: 1 };
const BOARD_WARMS_s = 80;

interface Standing {
  readonly course: Course;
  readonly since_s: number;
}

/**
 * A simulated bench: what really happens under the tools, at true parameters that nobody outside is told. They are drawn
 * from a seed within what the model itself calls uncertain, as much of them shared by all touches as learning takes.
 */
export class StandInBench {
  private readonly random: () => number;
  private readonly hidden: Deviations;
  private scene: Scene | null = null;
  private now_s = 0;
  private iron: Standing | null = null;
  private air: Standing | null = null;
  private readonly places: Record<Place, number> = { land: 23, body: 23, board: 23, air: 23 };
  private base_C = 23;
  /** What stands beneath the board; null: nothing warm does. */
  preheat_C: number | null = null;

  constructor(seed: number) {
    this.random = uniformStream(seed);
    this.hidden = this.drawn(() => 1);
  }

  /** A standard normal of the bench's own stream: noise of its sensors, and what each touch has of its own. */
  normal(): number {
    return normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, this.random())));
  }

  chance(share: number): boolean {
    return this.random() < share;
  }

  /** Takes a scene in; what heats now goes away. False where it is none. */
  lay(raw: unknown): boolean {
    const scene = Scene.parse(raw, this.hidden);
    if (!scene) return false;
    this.scene = scene;
    this.iron = null;
    this.air = null;
    this.base_C = scene.ambient_C;
    for (const place of ['land', 'body', 'board', 'air'] as const) this.places[place] = scene.ambient_C;
    return true;
  }

  get ambient_C(): number {
    return this.scene?.ambient_C ?? 23;
  }

  /** The iron comes down on a pad; says why it cannot. */
  touch(pad: string, tip_C: number): string | null {
    if (!this.scene) return 'nothing lies under it: open a job first';
    if (!this.scene.pads.includes(pad)) return `the part has no pin ${pad}`;
    const own = this.drawn((shared) => 1 - shared);
    const touch = Object.fromEntries(
      UNSURE.map((name) => [name, Math.sqrt(SHARED[name]) * this.hidden[name] + own[name]]),
    ) as Deviations;
    const { scene } = this;
    return heated(() => {
      this.iron = { course: scene.iron(pad, tip_C, this.preheat_C, touch), since_s: this.now_s };
    });
  }

  lift(): void {
    this.iron = null;
  }

  /** The tip's own temperature while it stands on something. */
  get tip_C(): number | null {
    return this.iron && at(this.iron.course, 'tip_C', this.now_s - this.iron.since_s);
  }

  blow(air_C: number, flow_L_min: number, nozzle_mm: number, standoff_mm: number): string | null {
    if (!this.scene) return 'nothing lies under it: open a job first';
    const { scene } = this;
    return heated(() => {
      this.air = { course: scene.air(air_C, flow_L_min, nozzle_mm, standoff_mm), since_s: this.now_s };
    });
  }

  away(): void {
    this.air = null;
  }

  /** Goes on by so much. */
  step(by_s: number): void {
    this.now_s += by_s;
    const wanted =
      this.preheat_C === null ? this.ambient_C : (this.scene?.warmed_C(this.preheat_C) ?? this.ambient_C);
    this.base_C += (wanted - this.base_C) * -Math.expm1(-by_s / BOARD_WARMS_s);
    const heats = this.iron ?? this.air;
    for (const place of ['land', 'body', 'board'] as const) {
      if (heats) {
        const course_C = at(heats.course, `${place}_C`, this.now_s - heats.since_s);
        this.places[place] = Math.max(course_C, this.places[place] - by_s * 60);
      } else {
        this.places[place] += (this.base_C - this.places[place]) * -Math.expm1(-by_s / BACK_s[place]);
      }
    }
    this.places.air = this.ambient_C;
  }

  /** The true temperature of a place. */
  of(place: Place): number {
    return this.places[place];
  }

  private drawn(share: (shared: number) => number): Deviations {
    return Object.fromEntries(
      UNSURE.map((name) => [name, Math.sqrt(share(SHARED[name])) * this.normal()]),
    ) as Deviations;
  }
}

/** What the model cannot be asked is said in words: one bench's fault ends no other device. */
function heated(heat: () => void): string | null {
  try {
    heat();
    return null;
  } catch (error) {
    return `the model cannot heat that: ${error instanceof Error ? error.message : String(error)}`.slice(
      0,
      200,
    );
  }
}
