/** Address of the mixer's worklet, with a hash of its content in its name; `npm run worklets` makes it. */
declare const address: string;
export default address;
