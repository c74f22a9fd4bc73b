export { larderEndpoints, CultureReply, NewCulture, NewCultureEvent, CULTURE_FOODS } from './larder.endpoints';
