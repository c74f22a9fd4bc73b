export {
  countPicture,
  halvingsBefore,
  PICTURE_FAULT_WORDS,
  PICTURE_FAULTS,
  type Counted,
  type CountOptions,
  type PictureCount,
  type PictureFault,
} from './countPicture';
export { type Picture } from './image';
