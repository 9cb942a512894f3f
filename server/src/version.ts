/** Of the application; told by the health check and the OpenAPI document. */
export const version = '0.1.0'
