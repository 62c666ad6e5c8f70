/** After a refusal the focus goes to the first field that is empty or wrong, once its sentence has been drawn. */
export function focusFirstGap(form: HTMLElement | null): void {
  requestAnimationFrame(() =>
    setTimeout(() => form?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus(), 0),
  );
}
