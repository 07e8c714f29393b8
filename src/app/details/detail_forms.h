// One form a kind of thing.
#pragma once
#include <functional>
#include <vector>

#include "app/details/drawing_forms.h"
#include "venue/wall_type.h"

namespace yemvo::app {

Form* floor_form(Workspace&, QWidget* parent, const DrawingActions&);
Form* wall_form(Workspace&, QWidget* parent, WallId);
Form* opening_form(Workspace&, QWidget* parent, WallId, OpeningId);
Form* zone_form(Workspace&, QWidget* parent, ZoneId);
Form* void_form(Workspace&, QWidget* parent, VoidId);
Form* access_point_form(Workspace&, QWidget* parent, AccessPointId);
Form* obstacle_form(Workspace&, QWidget* parent, ObstacleId);
Form* ceiling_form(Workspace&, QWidget* parent, CeilingId);
Form* ramp_form(Workspace&, QWidget* parent, RampId);
Form* slab_area_form(Workspace&, QWidget* parent, SlabAreaId);
/// `photo_asked`: a photo is wanted for the note.
Form* note_form(Workspace&, QWidget* parent, NoteId, const std::function<void(NoteId)>& photo_asked);
Form* several_form(Workspace&, QWidget* parent);
/// The types a drawing tool draws with: walls, doors, windows, models, zone kinds.
Form* kinds_form(Workspace&, QWidget* parent);
/// The requirements, with what they reach now.
Form* requirements_form(Workspace&, QWidget* parent);

/// Names of the types of a use, and their ids, in the order of the project.
std::vector<WallTypeId> types_of(const Project&, TypeUse);
QStringList type_names(const Project&, const std::vector<WallTypeId>&);
QStringList zone_kind_names();
QStringList zone_colour_names();
QStringList obstacle_kind_names();

}  // namespace yemvo::app
