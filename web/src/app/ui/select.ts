import { FieldLook } from './field-look';
import { MatOption } from '@angular/material/core';
import { MatFormField, MatLabel } from '@angular/material/form-field';
import { MatSelect } from '@angular/material/select';

/** What a choice out of several needs in a template. */
export const SELECT = [MatFormField, MatLabel, MatSelect, MatOption, FieldLook] as const;
