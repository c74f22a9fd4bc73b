export { SpawnsPage } from './SpawnsPage';
export { NewAttemptPage } from './NewAttemptPage';
export { EndForm } from './EndForm';
export { TriggerForm } from './TriggerForm';
export { SCHOOL_WORDS } from './schools';
