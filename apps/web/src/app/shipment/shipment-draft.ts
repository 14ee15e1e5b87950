/** A shipment as it is put together, kept on the device. */
export interface ShipmentDraft {
  readonly cylinders: readonly string[];
  readonly to: string;
  readonly carrier: string;
  /** Empty until the page is opened, as today. */
  readonly day: string;
}

export const newShipment = (): ShipmentDraft => ({ cylinders: [], to: '', carrier: '', day: '' });
