/** Bytes as text, to be sent within JSON. */
export const base64 = (f: Blob) =>
  new Promise<string>((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result).replace(/^data:[^,]*,/, ''));
    reader.onerror = () => reject(new Error('unread'));
    reader.readAsDataURL(f);
  });
