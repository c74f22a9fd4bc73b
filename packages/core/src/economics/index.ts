export { costPerFish, shelf, type Heating } from './economics';
