/**
 * The last answer of each slow piece of work, by name, with the inputs it was worked from. Whoever plans again and again (a page's worker) keeps one and
 * hands it in; a piece is worked again only when its own inputs differ. One entry a name, so a job of many zones never pushes its own answers out.
 */
export class Memo {
  private readonly kept = new Map<string, { inputs: string; answer: unknown }>()

  recall<T>(name: string, inputs: unknown, work: () => T): T {
    const text = JSON.stringify(inputs)
    const last = this.kept.get(name)
    if (last?.inputs === text) return last.answer as T
    const answer = work()
    this.kept.set(name, { inputs: text, answer })
    return answer
  }
}
