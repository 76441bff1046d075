import { IONS, isTrace, type Ion, type Ions } from "../../chemistry/ions.ts";
import { LpBuilder, type LpAnswer, type SolveLp } from "./linear-program.ts";
import type { Product } from "../products/product.ts";
import { mayHold, type TankRoom } from "./tank-rooms.ts";

/** One recipe's question for a given use of the tanks. */
export interface RecipeProblem {
  readonly products: readonly Product[];
  readonly rooms: readonly TankRoom[];
  readonly water: Ions;
  readonly target: Ions;
  readonly limits: Ions;
  /** most NH₄-N of all N, %; a hard limit like those of ions */
  readonly nh4ShareMostPct?: number | undefined;
  /** g/m³ of products that a person has settled, by id */
  readonly locks?: Readonly<Record<string, number>> | undefined;
  /** waters that may take the place of `water`, each up to its share; all but `leastSharePct` of it may go */
  readonly otherWaters?: readonly OtherWater[] | undefined;
  readonly leastSharePct?: number | undefined;
  /** relative misfit that still counts as met */
  readonly tolerance: number;
  /** ions whose target is only a help to reach a pH, and need not be met to the per cent */
  readonly loose: readonly Ion[];
}

export interface OtherWater {
  readonly ions: Ions;
  /** % of the feed's water at most */
  readonly mostSharePct: number;
  /** price of a m³ over that of the first water */
  readonly dearerM3: number;
}

/** Sulphate and chloride may float when something must; the rest of a target counts in full. */
const FLOATING: readonly Ion[] = ["SO4", "Cl"];
const FLOATING_WEIGHT = 0.15;
const LOOSE_WEIGHT = 0.2;
/** A target of none is measured against this much, mmol/L (µmol/L for trace elements). */
const NONE_SCALE = 0.5;
/** Targets below any scale's reading are measured against this, so that the program stays sound. */
const LEAST_SCALE = 0.001;
/** Bicarbonate that recipes leave as a buffer, mmol/L; usual practice. */
const LEFT_BICARBONATE = 0.5;
/** Tanks are filled to this share of what dissolves, for the common ion and for cold corners. */
export const SOLUBILITY_SAFETY = 0.85;
const HOLD = 1e-7;

/** mmol/L (or µmol/L for trace elements) of an ion from one g/m³ of a product. Protons take bicarbonate away. */
export function bringsPerGram(product: Product, ion: Ion): number {
  const { composition } = product;
  const own = composition[ion] ?? 0;
  if (ion === "HCO3") return (own - (composition.H ?? 0)) / 1000;
  return isTrace(ion) ? own : own / 1000;
}

/** What a row of the program stands for. */
type Meaning =
  | { readonly kind: "ion" | "limit"; readonly ion: Ion }
  | { readonly kind: "tank"; readonly tankId: string }
  | { readonly kind: "other" };

/** What a misfit is measured against. */
export function scaleOf(target: number): number {
  return target > 0 ? Math.max(target, LEAST_SCALE) : NONE_SCALE;
}

type Terms = [column: number, coefficient: number][];

/** Each column once, as solvers want it. */
function merged(terms: Terms): Terms {
  const sums = new Map<number, number>();
  for (const [column, coefficient] of terms) sums.set(column, (sums.get(column) ?? 0) + coefficient);
  return [...sums];
}

/** The program of a recipe: its columns are products in tanks, waters and misfits, its objectives are asked for one after another. */
export class RecipeModel {
  readonly columns: readonly { product: Product; room: TankRoom; column: number }[];
  readonly waters: readonly { water: OtherWater; column: number }[];
  readonly largestTerms: Terms = [];
  readonly misfitTerms: Terms = [];
  readonly ballastTerms: Terms = [];
  readonly costTerms: Terms = [];
  /** of the rows, in their order */
  readonly meanings: Meaning[] = [];
  private readonly lp = new LpBuilder();
  private readonly slackTerms: Terms = [];
  private readonly misfits = new Map<Ion, Terms>();

  /** @param delivered when given, no ion may stray further from its target, and no limit be broken further, than in it */
  constructor(
    private readonly problem: RecipeProblem,
    private readonly delivered?: Ions,
  ) {
    this.columns = problem.rooms.flatMap((room, at) =>
      problem.products
        .filter((product) => mayHold(room, product))
        .map((product) => {
          const column = this.lp.column();
          // Grams break ties of price; a product that may go into several tanks goes into the first that holds it.
          this.costTerms.push([column, (product.priceKg ?? 0) / 1000 + 1e-6 * (1 + at * 0.01)]);
          return { product, room, column };
        }),
    );
    this.waters = (problem.otherWaters ?? []).map((water) => {
      const column = this.lp.column(water.mostSharePct / 100);
      this.costTerms.push([column, water.dearerM3]);
      return { water, column };
    });
    this.addWaters();
    this.addLocks();
    this.addLimits();
    this.addAmmoniumShare();
    this.addTargets();
    this.addBallast();
    this.addSolubility();
  }

  /** Solves one objective and leaves the model as it is. */
  look(solve: SolveLp, terms: Terms): Extract<LpAnswer, { status: "optimal" }> {
    const answer = solve(this.lp.program(terms));
    if (answer.status !== "optimal") throw new Error("a stage of the recipe that can always be met was not");
    return answer;
  }

  hold(terms: Terms, most: number): void {
    this.row({ kind: "other" }, -Infinity, most, terms);
  }

  misfitOf(ion: Ion): Terms {
    return this.misfits.get(ion) ?? [];
  }

  private row(meaning: Meaning, least: number, most: number, terms: Terms): void {
    this.lp.row(least, most, terms);
    this.meanings.push(meaning);
  }

  /** Solves one objective and holds its value for the stages after it. */
  stage(solve: SolveLp, terms: Terms): Extract<LpAnswer, { status: "optimal" }> {
    const answer = this.look(solve, terms);
    if (terms.length > 0) this.hold(terms, answer.objective + HOLD * Math.max(1, Math.abs(answer.objective)));
    return answer;
  }

  leastLimitSlack(solve: SolveLp): number {
    return this.slackTerms.length === 0 ? 0 : this.stage(solve, this.slackTerms).objective;
  }

  private terms(ion: Ion, factor = 1): Terms {
    const products = this.columns.map(({ product, column }) => [column, bringsPerGram(product, ion) * factor] as const);
    // A share of another water brings its ions and takes the first one's away.
    const waters = this.waters.map(
      ({ water, column }) => [column, ((water.ions[ion] ?? 0) - (this.problem.water[ion] ?? 0)) * factor] as const,
    );
    return [...products, ...waters].flatMap(([column, each]) => (each === 0 ? [] : [[column, each]]));
  }

  private addWaters(): void {
    if (this.waters.length === 0) return;
    const others: Terms = this.waters.map(({ column }) => [column, 1]);
    this.row({ kind: "other" }, -Infinity, 1 - (this.problem.leastSharePct ?? 0) / 100, others);
  }

  private addLocks(): void {
    for (const [id, gM3] of Object.entries(this.problem.locks ?? {})) {
      const terms: Terms = this.columns.flatMap(({ product, column }) => (product.id === id ? [[column, 1]] : []));
      if (terms.length === 0) continue;
      const [over, under] = [this.lp.column(), this.lp.column()];
      this.slackTerms.push([over, 1 / Math.max(gM3, 1)], [under, 1 / Math.max(gM3, 1)]);
      this.row({ kind: "other" }, gM3, gM3, [...terms, [over, -1], [under, 1]]);
    }
  }

  /** NH₄ ≤ s · (NO₃ + NH₄ + urea), as NH₄ · (1 − s) − s · (NO₃ + urea) ≤ 0. */
  private addAmmoniumShare(): void {
    const { nh4ShareMostPct, water } = this.problem;
    if (nh4ShareMostPct === undefined) return;
    const share = nh4ShareMostPct / 100;
    const slack = this.lp.column();
    this.slackTerms.push([slack, 1 / NONE_SCALE]);
    const most = share * ((water.NO3 ?? 0) + (water.urea ?? 0)) - (1 - share) * (water.NH4 ?? 0);
    const terms = [...this.terms("NH4", 1 - share), ...this.terms("NO3", -share), ...this.terms("urea", -share)];
    this.row({ kind: "limit", ion: "NH4" }, -Infinity, most, [...merged(terms), [slack, -1]]);
  }

  private addLimits(): void {
    for (const ion of IONS) {
      const limit = this.problem.limits[ion];
      if (limit === undefined) continue;
      const broken = this.delivered && Math.max(0, (this.delivered[ion] ?? 0) - limit);
      const slack = this.lp.column(broken);
      this.slackTerms.push([slack, 1 / Math.max(limit, NONE_SCALE)]);
      const most = limit - (this.problem.water[ion] ?? 0);
      this.row({ kind: "limit", ion }, -Infinity, most, [...this.terms(ion), [slack, -1]]);
    }
  }

  private addTargets(): void {
    const [largest, largestWeighted] = [this.lp.column(), this.lp.column()];
    this.largestTerms.push([largest, 1]);
    this.misfitTerms.push([largestWeighted, 1]);
    for (const ion of IONS) {
      const target = this.problem.target[ion];
      if (target === undefined) continue;
      const scale = scaleOf(target);
      const strict = this.problem.loose.includes(ion) ? LOOSE_WEIGHT : 1;
      const weight = FLOATING.includes(ion) ? FLOATING_WEIGHT : strict;
      const strayed = this.delivered && ((this.delivered[ion] ?? 0) - target) / scale;
      const over = this.lp.column(strayed === undefined ? Infinity : Math.max(0, strayed) + HOLD);
      const under = this.lp.column(strayed === undefined ? Infinity : Math.max(0, -strayed) + HOLD);
      this.misfits.set(ion, [
        [over, 1],
        [under, 1],
      ]);
      // Σ a·x/t − over + under = 1 − w/t, all relative to the target
      const wanted = (target - (this.problem.water[ion] ?? 0)) / scale;
      this.row({ kind: "ion", ion }, wanted, wanted, [...this.terms(ion, 1 / scale), [over, -1], [under, 1]]);
      this.row({ kind: "other" }, -Infinity, 0, [
        [over, strict],
        [under, strict],
        [largest, -1],
      ]);
      this.row({ kind: "other" }, -Infinity, 0, [
        [over, weight],
        [under, weight],
        [largestWeighted, -1],
      ]);
      // The sum decides among equal largest misfits, and little beside them.
      this.misfitTerms.push([over, 0.05 * weight], [under, 0.05 * weight]);
    }
  }

  /** What nobody asked for is kept low: bicarbonate over the usual rest, sodium and chloride from salts. It can never fall below none. */
  private addBallast(): void {
    const { water, target } = this.problem;
    this.row({ kind: "other" }, -(water.HCO3 ?? 0), Infinity, this.terms("HCO3"));
    for (const ion of ["HCO3", "Na", "Cl"] as const) {
      if (target[ion] !== undefined) continue;
      const over = this.lp.column();
      this.ballastTerms.push([over, 1]);
      const free = ion === "HCO3" ? LEFT_BICARBONATE - (water.HCO3 ?? 0) : 0;
      this.row({ kind: "other" }, -Infinity, free, [...this.terms(ion), [over, -1]]);
    }
  }

  /** Each tank: what is dissolved, as a share of what dissolves, adds up to no more than the safety share. */
  private addSolubility(): void {
    for (const room of this.problem.rooms) {
      const terms: Terms = this.columns.flatMap(({ product, room: own, column }) =>
        own === room && product.solubilityGL
          ? [[column, room.tank.dilution / 1000 / product.solubilityGL] as [number, number]]
          : [],
      );
      if (terms.length > 0) this.row({ kind: "tank", tankId: room.tank.id }, -Infinity, SOLUBILITY_SAFETY, terms);
    }
  }
}
