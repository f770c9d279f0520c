/** Characters that mean something in XML, made harmless; what XML 1.0 forbids is left out. */
export function escapeXml(text: string): string {
  return text.replace(forbidden, '').replace(/[&<>"']/g, (letter) => `&#${letter.charCodeAt(0)};`);
}

/** Controls, noncharacters, and halves of surrogate pairs (XML 1.0 §2.2). */
const forbidden =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;
