interface Policies {
  defaultPolicy: unknown;
  createPolicy: (name: string, rules: { createScriptURL: (address: string) => string }) => void;
}

/** A worker, too, may load scripts only from addresses it has named: those of this server. */
export function allowOwnScripts(): void {
  const { trustedTypes } = globalThis as { trustedTypes?: Policies };
  if (!trustedTypes || trustedTypes.defaultPolicy) return;
  trustedTypes.createPolicy('default', {
    createScriptURL: (address) => {
      if (new URL(address, location.href).origin === location.origin) return address;
      throw new TypeError('Scripts come from this server only.');
    },
  });
}
