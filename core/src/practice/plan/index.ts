export { type PlannedSession, planSession, LONGEST_PLAN, SHORTEST_PLAN } from './plan-session.js';
export type { SessionRequest } from './session.js';
export type { BlockReason, PlanNote } from './reason.js';
export { restOf } from './rest.js';
export { isOfSet, MOST_IN_SET, planSet } from './set-plan.js';
export { conditionOf } from './standing.js';
