// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/things/things.h"

#include <algorithm>

#include "app/details/detail_forms.h"
#include "app/look/theme.h"
#include "app/things/cable_ways.h"
#include "app/things/closet.h"
#include "app/things/device_row.h"
#include "app/things/listening_place.h"
#include "project/item.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

template <const char* const& words>
QString plain(const Project&, const Floor&, const Item&) {
    return tr(words);
}
constexpr const char *wall = mark("wall"), *hole = mark("void"), *slab_area = mark("slab area"),
                     *ceiling = mark("ceiling area"), *note = mark("note"), *ramp = mark("ramp");

QString opening_name(const Project&, const Floor& f, const Item& item) {
    const Opening* o = find_opening(*find_wall(f, WallId{item.wall}), OpeningId{item.id});
    return o->kind == OpeningKind::door ? tr("door") : tr("window");
}
QString zone_name(const Project&, const Floor& f, const Item& item) {
    const std::string& name = find_zone(f, ZoneId{item.id})->name;
    return name.empty() ? tr("zone") : tr("zone %1").arg(QString::fromStdString(name));
}
QString obstacle_name(const Project&, const Floor& f, const Item& item) {
    return tr_mark(obstacle_kind_name(find_obstacle(f, ObstacleId{item.id})->kind));
}
QString access_point_name(const Project& p, const Floor& f, const Item& item) {
    return tr("access point %1")
        .arg(QString::number(find_access_point(p, f.id, AccessPointId{item.id})->number));
}

void paint_note_mark(QPainter& p, const Floor& f, const Item& item, QPointF at, bool selected) {
    render::paint_note(p, at, !find_note(f, NoteId{item.id})->photo.empty(), selected, theme());
}

/// A form that takes the thing's id alone.
template <class Id, Form* (*make)(Workspace&, QWidget*, Id)>
Form* form_of(Workspace& w, const Item& item) {
    return make(w, nullptr, Id{item.id});
}
Form* form_of_opening(Workspace& w, const Item& item) {
    return opening_form(w, nullptr, WallId{item.wall}, OpeningId{item.id});
}

}  // namespace

void tell_things() {
    set_kind_faces({
        // an access point's badge is painted by the plan itself, above all layers
        {ItemKind::access_point, PickBy::mark, mark("access points"), access_point_name,
         form_of<AccessPointId, access_point_form>, true, render::badge_area},
        closet_face(),
        outlet_face(),
        riser_face(),
        tray_face(),
        device_row_face(),
        listening_place_face(),
        {ItemKind::note, PickBy::mark, mark("notes"), plain<note>, form_of<NoteId, note_form>, true,
         render::note_area, paint_note_mark},
        // doors and windows are drawn with their walls: they can be locked, not hidden
        {ItemKind::opening, PickBy::line, mark("doors and windows"), opening_name, form_of_opening, false},
        {ItemKind::wall, PickBy::line, mark("walls"), plain<wall>, form_of<WallId, wall_form>},
        {ItemKind::obstacle, PickBy::solid, mark("obstacles"), obstacle_name,
         form_of<ObstacleId, obstacle_form>},
        {ItemKind::ramp, PickBy::solid, mark("ramps"), plain<ramp>, form_of<RampId, ramp_form>},
        {ItemKind::zone, PickBy::area, mark("zones"), zone_name, form_of<ZoneId, zone_form>},
        {ItemKind::ceiling, PickBy::area, mark("ceilings"), plain<ceiling>, form_of<CeilingId, ceiling_form>},
        {ItemKind::slab_area, PickBy::area, mark("slab areas"), plain<slab_area>,
         form_of<SlabAreaId, slab_area_form>},
        {ItemKind::slab_void, PickBy::hole, mark("voids"), plain<hole>, form_of<VoidId, void_form>},
    });
}

}  // namespace yemvo::app
