export { ApiProblem, send, sendPicture, urlOf, type Body, type Reply, type ReadName, type WriteName } from './api';
export { useGet, useTouch } from './useGet';
export { startOutbox, useOutbox } from './outbox';
export { HouseProvider, useHouse, useUnits, type House } from './house';
export { usePressed } from './usePressed';
export { useLog, useUndo } from './useSend';
export { useAskedReason, type AskedReason } from './reason';
export { useEntryForm, FieldProblem, type EntryForm } from './useEntryForm';
export { temperatureSign, showTemperature, showVolume, showHeads, showPercent, showChance } from './show';
