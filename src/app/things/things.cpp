// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/things/things.h"

#include <algorithm>

#include "app/details/detail_forms.h"
#include "app/look/theme.h"
#include "app/things/closet.h"
#include "project/item.h"
#include "project/project.h"
#include "render/plan_marks.h"

namespace yemvo::app {
namespace {

QString text(std::string_view s) { return QString::fromUtf8(s.data(), static_cast<qsizetype>(s.size())); }

template <const char* words>
QString plain(const Project&, const Floor&, const Item&) {
    return words;
}
constexpr char wall[] = "wall", hole[] = "void", slab_area[] = "slab area", ceiling[] = "ceiling area",
               note[] = "note", ramp[] = "ramp";

QString opening_name(const Project&, const Floor& f, const Item& item) {
    const Opening* o = find_opening(*find_wall(f, WallId{item.wall}), OpeningId{item.id});
    return o->kind == OpeningKind::door ? "door" : "window";
}
QString zone_name(const Project&, const Floor& f, const Item& item) {
    const std::string& name = find_zone(f, ZoneId{item.id})->name;
    return name.empty() ? QString("zone") : "zone " + QString::fromStdString(name);
}
QString obstacle_name(const Project&, const Floor& f, const Item& item) {
    return text(obstacle_kind_name(find_obstacle(f, ObstacleId{item.id})->kind));
}
QString access_point_name(const Project& p, const Floor& f, const Item& item) {
    return "access point " + QString::number(find_access_point(p, f.id, AccessPointId{item.id})->number);
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
        {ItemKind::access_point, PickBy::mark, "access points", access_point_name,
         form_of<AccessPointId, access_point_form>, true, render::badge_area},
        closet_face(),
        {ItemKind::note, PickBy::mark, "notes", plain<note>, form_of<NoteId, note_form>, true,
         render::note_area, paint_note_mark},
        // doors and windows are drawn with their walls: they can be locked, not hidden
        {ItemKind::opening, PickBy::line, "doors and windows", opening_name, form_of_opening, false},
        {ItemKind::wall, PickBy::line, "walls", plain<wall>, form_of<WallId, wall_form>},
        {ItemKind::obstacle, PickBy::solid, "obstacles", obstacle_name, form_of<ObstacleId, obstacle_form>},
        {ItemKind::ramp, PickBy::solid, "ramps", plain<ramp>, form_of<RampId, ramp_form>},
        {ItemKind::zone, PickBy::area, "zones", zone_name, form_of<ZoneId, zone_form>},
        {ItemKind::ceiling, PickBy::area, "ceilings", plain<ceiling>, form_of<CeilingId, ceiling_form>},
        {ItemKind::slab_area, PickBy::area, "slab areas", plain<slab_area>,
         form_of<SlabAreaId, slab_area_form>},
        {ItemKind::slab_void, PickBy::hole, "voids", plain<hole>, form_of<VoidId, void_form>},
    });
}

}  // namespace yemvo::app
