export default function setup() {}
