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
export { drawScene, GROUNDS, SUBJECTS, type Ground, type Scene, type SceneTruth, type Subject } from './drawScene';
export { type Picture } from './image';
