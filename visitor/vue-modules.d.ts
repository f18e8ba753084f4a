/** For the compiler that reads no Vue: what tests reach of a part is that it is one. */
declare module '*.vue' {
  const part: import('vue').Component
  export default part
}
