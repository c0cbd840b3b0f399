import { Directive, inject } from '@angular/core';
import { MatFormField } from '@angular/material/form-field';

/** How every field looks; a directive, so that the fields' code comes only with the first place that has one. */
@Directive({
  // eslint-disable-next-line @angular-eslint/directive-selector -- it goes with every field
  selector: 'mat-form-field',
})
export class FieldLook {
  constructor() {
    const field = inject(MatFormField);
    field.appearance = 'outline';
    field.subscriptSizing = 'dynamic';
    field.floatLabel = 'always';
  }
}
