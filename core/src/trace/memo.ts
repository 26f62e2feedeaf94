/**
 * The last answer of each slow piece of work, by name, with the inputs it was worked from. Whoever
 * plans again and again (a page's worker) keeps one and hands it in; a piece is worked again only
 * when its own inputs differ. One entry a name, so a job of many zones never pushes its own answers
 * out. Whoever plans many jobs says how many entries to keep at most: those not asked for longest
 * go first.
 */
export class Memo {
  private readonly kept = new Map<string, { inputs: string; answer: unknown }>()

  constructor(private readonly most = Infinity) {}

  recall<T>(name: string, inputs: unknown, work: () => T): T {
    const text = JSON.stringify(inputs)
    const last = this.kept.get(name)
    if (last?.inputs === text) {
      if (this.most < Infinity) this.keep(name, last)
      return last.answer as T
    }
    const answer = work()
    this.keep(name, { inputs: text, answer })
    return answer
  }

  private keep(name: string, entry: { inputs: string; answer: unknown }): void {
    this.kept.delete(name)
    this.kept.set(name, entry)
    if (this.kept.size > this.most) this.kept.delete(this.kept.keys().next().value!)
  }
}
