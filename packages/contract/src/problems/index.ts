export { PROBLEMS, ProblemDetails, type ProblemCode } from './problems';
