/** A question that a room asks without knowing who answers it: rooms that stand on it do so when they are made. */
export interface Port<Answer> {
  readonly name: string;
  /** only for the compiler: what answers */
  readonly answer?: Answer;
}

export function port<Answer>(name: string): Port<Answer> {
  return { name };
}

/** What the rooms of one caller have to answer. */
export class Ports {
  readonly #answers = new Map<Port<unknown>, unknown[]>();

  answer<Answer>(asked: Port<Answer>, answer: Answer): void {
    this.#answers.set(asked, [...(this.#answers.get(asked) ?? []), answer]);
  }

  /** Everybody's answer, in the order of the rooms. */
  all<Answer>(asked: Port<Answer>): readonly Answer[] {
    return (this.#answers.get(asked) ?? []) as Answer[];
  }

  /** @throws where nobody answers, or more than one room does */
  one<Answer>(asked: Port<Answer>): Answer {
    const [answer, another] = this.all(asked);
    if (answer === undefined || another !== undefined)
      throw new Error(`${asked.name} must be answered by one room, not by ${this.all(asked).length}`);
    return answer;
  }
}
