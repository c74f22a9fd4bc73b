export { isOwnHost, networkAddresses, ownAddresses, ownName } from './addresses';
export { hostCertificate } from './certificates';
export { listenInNetwork } from './listenInNetwork';
