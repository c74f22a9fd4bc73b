/** What libraries that also serve old Reacts bring a stand-in for; see vite.config. */
export { useSyncExternalStore } from 'react';
