export { endpoint, ROLES, type Endpoint, type Role, type BodyOf, type QueryOf, type ReplyOf, type AnyEndpoint } from './endpoint';
