import { MatFormField, MatHint, MatLabel } from '@angular/material/form-field';
import { FieldLook } from './field-look';
import { MatInput } from '@angular/material/input';

/** What a text or number to be typed needs in a template. */
export const FIELD = [MatFormField, MatLabel, MatHint, MatInput, FieldLook] as const;
