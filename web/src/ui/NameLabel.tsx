/** A home, and nothing else. The bidi isolation keeps a right-to-left nickname from turning what stands around it. */
export function NameLabel({ name }: { name: string }) {
  return (
    <bdi className="name-label" title={name}>
      {name}
    </bdi>
  );
}
