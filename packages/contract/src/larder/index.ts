export {
  larderEndpoints,
  larderEntries,
  CultureReply,
  FoodPlan,
  NewCulture,
  NewCultureEvent,
  CULTURE_FOODS,
} from './larder.endpoints';
