export { diagnose, type Cause, type Diagnosis, type DiagnosisGround } from './rank.ts';
export { CAUSES, CHECKS, POINTERS, SYMPTOMS, type CauseId } from './table.ts';
