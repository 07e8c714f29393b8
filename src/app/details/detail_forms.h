// SPDX-License-Identifier: GPL-3.0-or-later
// One form a kind of thing.
#pragma once
#include <functional>
#include <vector>

#include "app/details/drawing_forms.h"
#include "app/forms/choices.h"
#include "venue/wall_type.h"

namespace yemvo::app {

Form* floor_form(Workspace&, QWidget* parent);
Form* wall_form(Workspace&, QWidget* parent, WallId);
Form* opening_form(Workspace&, QWidget* parent, WallId, OpeningId);
Form* zone_form(Workspace&, QWidget* parent, ZoneId);
Form* void_form(Workspace&, QWidget* parent, VoidId);
Form* access_point_form(Workspace&, QWidget* parent, AccessPointId);
Form* obstacle_form(Workspace&, QWidget* parent, ObstacleId);
Form* ceiling_form(Workspace&, QWidget* parent, CeilingId);
Form* ramp_form(Workspace&, QWidget* parent, RampId);
Form* slab_area_form(Workspace&, QWidget* parent, SlabAreaId);
Form* note_form(Workspace&, QWidget* parent, NoteId);
Form* several_form(Workspace&, QWidget* parent);
/// The types a drawing tool draws with: walls, doors, windows, models, zone kinds.
Form* kinds_form(Workspace&, QWidget* parent);
/// The requirements, with what they reach now.
Form* requirements_form(Workspace&, QWidget* parent);

}  // namespace yemvo::app
