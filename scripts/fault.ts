/** The fault in force in this process, for sources made by `faults.mjs`. */
Object.assign(globalThis, { fault: Number(process.env.JUVENA_FAULT ?? -1) })
