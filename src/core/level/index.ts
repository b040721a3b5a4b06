export { type FleetBody, fleetProblem, type FleetProblem } from './fleet-problem'
export { asLevel, LAMBDAS, type Levelled, levelFleet } from './level'
export * from './report'
