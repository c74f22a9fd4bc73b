import { choreKinds } from '../agenda';

export const SALES_CHORES = choreKinds({
  fastBeforePacking: { seconds: 10, words: 'no food before packing' },
  packOrder: { stays: true, seconds: 420, words: 'catch and bag an order' },
});
