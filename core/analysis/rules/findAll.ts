import type { Analysis } from '../types';
import { findConductors } from './conductorRules';
import { findContacts } from './contactRules';
import { findCoordination } from './coordinationRules';
import { findDrop } from './dropRules';
import { findFeeds } from './feedRules';
import { findJoints } from './jointRules';
import { findLoads } from './loadRules';
import { findProtection } from './protectionRules';
import { findRig } from './rigRules';
import { findSources } from './sourceRules';
import { severityRank, type Finding } from '../finding';
import { findSwitching } from './switchingRules';
import { findVehicle } from './vehicleRules';
import { findWiring } from './wiringRules';
import { findBuild } from './buildRules';
import { findWork } from './workRules';

/** Every rule over one analysis, the worst first; within a severity in the order of the rule families. */
export function findAll(analysis: Analysis): Finding[] {
  const families = [
    findWiring,
    findProtection,
    findCoordination,
    findContacts,
    findJoints,
    findConductors,
    findDrop,
    findLoads,
    findSources,
    findFeeds,
    findVehicle,
    findRig,
    findWork,
    findBuild,
    findSwitching,
  ];
  return worstFirst(families.flatMap((find) => find(analysis)));
}

/** Findings with the worst first, their order kept otherwise. */
export function worstFirst(findings: readonly Finding[]): Finding[] {
  return [...findings].sort((a, b) => severityRank(a.severity) - severityRank(b.severity));
}
