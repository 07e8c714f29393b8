// SPDX-License-Identifier: GPL-3.0-or-later
// Details of what lies under and beside a floor: drawings, scale, alignment, buildings.
#pragma once
#include "app/forms/form.h"

namespace yemvo::app {

/// The floor's drawings as a group of a form.
void add_drawings(Form&, Workspace&);
Form* scale_form(Workspace&, QWidget* parent);
Form* align_form(Workspace&, QWidget* parent);
Form* building_form(Workspace&, QWidget* parent);

}  // namespace yemvo::app
