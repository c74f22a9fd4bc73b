export { SpawnsPage } from './SpawnsPage';
export { AttemptPage } from './AttemptPage';
export { NewAttemptPage } from './NewAttemptPage';
export { ClutchForm } from './ClutchForm';
export { WindowList } from './WindowList';
export { SCHOOL_WORDS } from './schools';
