/**
 * A script of the frame's own that only some need: fetched by the first who asks, and again after it could not be.
 * @param address where it lies. @param global what it leaves on the window.
 */
export function fetched<Tools>(address: string, global: string, fault: string): () => Promise<Tools> {
  let tools: Promise<Tools> | null = null;
  const load = (resolve: (tools: Tools) => void, reject: (error: Error) => void) => {
    const script = document.createElement('script');
    script.src = address;
    script.onload = () => resolve((window as unknown as Record<string, Tools>)[global]!);
    script.onerror = () => {
      tools = null;
      reject(new Error(fault));
    };
    document.head.append(script);
  };
  return () => (tools ??= new Promise(load));
}
