import type { endpoints, EndpointName } from '@hygromet/contract/endpoints';

/**
 * Method and path of each endpoint without its schemas: they would bring the whole schema library into the first load, for
 * answers that the server has checked already. The compiler holds this table against the contract.
 */
export const endpointPaths = {
  fillLimits: { method: 'post', path: '/api/fill-limits' },
  compute: { method: 'post', path: '/api/compute' },
  properties: { method: 'post', path: '/api/properties' },
  refrigerants: { method: 'get', path: '/api/refrigerants' },
  organisation: { method: 'get', path: '/api/organisation' },
  saveOrganisation: { method: 'put', path: '/api/organisation' },
  organisationHistory: { method: 'get', path: '/api/organisation/history' },
  cylinders: { method: 'get', path: '/api/cylinders' },
  cylinder: { method: 'get', path: '/api/cylinders/:id' },
  addCylinder: { method: 'post', path: '/api/cylinders' },
  weighCylinder: { method: 'post', path: '/api/cylinders/:id/weighings' },
  cylinderEvents: { method: 'get', path: '/api/cylinders/:id/events' },
  addCylinderEvent: { method: 'post', path: '/api/cylinders/:id/events' },
  moveCylinders: { method: 'post', path: '/api/cylinders/moves' },
  systems: { method: 'get', path: '/api/systems' },
  addSystem: { method: 'post', path: '/api/systems' },
  system: { method: 'get', path: '/api/systems/:id' },
  saveSystemFacts: { method: 'put', path: '/api/systems/:id/facts' },
  systemHistory: { method: 'get', path: '/api/systems/:id/history' },
  importSystems: { method: 'post', path: '/api/systems/import' },
  importCylinders: { method: 'post', path: '/api/cylinders/import' },
  visits: { method: 'get', path: '/api/visits' },
  addVisit: { method: 'post', path: '/api/visits' },
  visit: { method: 'get', path: '/api/visits/:id' },
  addVisitEvent: { method: 'post', path: '/api/visits/:id/events' },
  accounts: { method: 'get', path: '/api/accounts' },
  movements: { method: 'get', path: '/api/movements' },
  bookTransfer: { method: 'post', path: '/api/transfers' },
  bookDifference: { method: 'post', path: '/api/differences' },
  bookRemoval: { method: 'post', path: '/api/removals' },
  reverseMovement: { method: 'post', path: '/api/movements/:id/reversal' },
} as const satisfies { readonly [K in EndpointName]: Pick<(typeof endpoints)[K], 'method' | 'path'> };
