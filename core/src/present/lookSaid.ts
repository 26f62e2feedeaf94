import type { StepLook } from '../plan/order.ts'
import { joined, say, type Message } from '../rules/message.ts'

/** What each answer at a look leads to: "under 70 %: sow thin places again; 70 % and more: hand over." */
export const branchesSaid = ({ yes, no }: StepLook): Message =>
  say`${yes.when}: ${yes.says}; ${no.when}: ${no.says}.`

/** What is asked at a look, and what each answer leads to. */
export const lookSaid = (look: StepLook): Message => joined([look.asks, branchesSaid(look)])
