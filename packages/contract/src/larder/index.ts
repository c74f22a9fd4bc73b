export { larderEndpoints, larderEntries, FoodPlan } from './larder.endpoints';
export {
  CULTURE_ENDS,
  CULTURE_EVENTS,
  CultureReply,
  HatchSetting,
  NewCulture,
  NewCultureEvent,
  NewCultureKind,
} from './cultures.schema';
export {
  NewCalibration,
  NewMealLook,
  NewPest,
  NewPestEvent,
  NewShelfEvent,
  NewShelfItem,
  SHELF_EVENTS,
  TakePlan,
} from './shelf.schema';
