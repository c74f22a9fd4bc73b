export { houseAddresses, isOwnHost, ownAddresses, ownName } from './addresses';
export { hostCertificate } from './certificates';
export { listenInNetwork, networkCertificate } from './listenInNetwork';
