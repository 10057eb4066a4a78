/** Stands in for a process that does heavy work: all it does is say what it knows of its surroundings. */
process.on('message', ({ id }) => process.send({ id, ok: true, output: Object.keys(process.env) }))
process.on('disconnect', () => process.exit(0))
process.send('ready')
