// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/arrange/arranging.h"

#include <QClipboard>
#include <QGuiApplication>
#include <QMimeData>
#include <algorithm>

#include "app/model/activity.h"
#include "app/model/selection.h"
#include "app/model/tool_id.h"
#include "project/clipping.h"
#include "project/edits.h"
#include "project/items.h"
#include "project/project.h"
#include "render/tr.h"
#include "venue/floor.h"
#include "venue/wall_shaping.h"

namespace yemvo::app {
namespace {

constexpr const char* mime = "application/x-yemvo-clipping";

std::optional<Box> selected_box(const Workspace& w) {
    std::vector<Point> all;
    for (const Item& item : w.selection().items()) {
        const auto shape = shape_of(w.project(), *w.floor(), item);
        all.insert(all.end(), shape.begin(), shape.end());
    }
    return bounds(all);
}

void move_by(Workspace& w, const QString& label, const Motion& motion) {
    const auto items = w.selection().items();
    const FloorId at = w.floor_id();
    w.edit(label, [&](Project& p) { move_items(p, at, items, motion); });
}

std::vector<WallId> selected_walls(const Workspace& w) {
    std::vector<WallId> ids;
    for (const Item& item : w.selection().items())
        if (item.kind == ItemKind::wall) ids.push_back(WallId{item.id});
    return ids;
}

bool nothing(Workspace& w, const QString& what_to_do) {
    if (w.floor() && !w.selection().items().empty()) return false;
    w.tell(what_to_do, true);
    return true;
}

std::vector<Item> without_openings(std::vector<Item> items) {
    std::erase_if(items, [](const Item& i) { return i.kind == ItemKind::opening; });
    return items;
}

}  // namespace

void turn_selection(Workspace& w, double degrees) {
    if (nothing(w, tr("Select what shall be Select what shall be turned first first"))) return;
    if (const auto box = selected_box(w)) move_by(w, tr("Turn"), turned(box->centre(), degrees));
}

void mirror_selection(Workspace& w, bool left_right) {
    if (nothing(w, tr("Select what shall be Select what shall be mirrored first first"))) return;
    const auto box = selected_box(w);
    if (!box) return;
    const Point c = box->centre();
    move_by(w, tr("Mirror"), mirrored(c, c + (left_right ? Point{0, 1} : Point{1, 0})));
}

void repeat_selection(Workspace& w, int columns, int rows, Point step) {
    if (nothing(w, tr("Select what shall be repeated first"))) return;
    const FloorId at = w.floor_id();
    const auto items = w.selection().items();
    const Clipping clipped = clip(w.project(), *w.floor(), without_openings(items));
    std::vector<Item> made = items;
    QString left_out;
    w.edit(tr("Repeat %1 × %2").arg(columns).arg(rows), [&](Project& p) {
        for (int c = 0; c < columns; ++c)
            for (int r = 0; r < rows; ++r) {
                if (c == 0 && r == 0) continue;
                const auto more = paste(p, at, clipped, shifted({c * step.x, r * step.y}));
                made.insert(made.end(), more.begin(), more.end());
            }
        for (const Item& item : items) {
            if (item.kind != ItemKind::opening) continue;
            const Opening first =
                *find_opening(*find_wall(*find_floor(p, at), WallId{item.wall}), OpeningId{item.id});
            for (int c = 1; c < columns; ++c) {
                const Wall& wall = *find_wall(*find_floor(p, at), WallId{item.wall});
                Opening more = first;
                more.start_m += c * step.x;
                if (more.start_m + more.width_m > piece_length_m(wall, more.piece) + 1e-6) {
                    left_out = tr("The wall ends before the last of them");
                    break;
                }
                made.push_back({ItemKind::opening, add_opening(p, at, wall.id, more).value, wall.id.value});
            }
        }
    });
    w.selection().select_alone(made);
    if (!left_out.isEmpty()) w.tell(left_out, true);
}

void offset_selection(Workspace& w, double left_m) {
    const auto ids = selected_walls(w);
    if (ids.empty()) return w.tell(tr("Select the walls that shall be offset first"), true);
    const FloorId at = w.floor_id();
    std::vector<Item> made;
    w.edit(tr("Offset wall"), [&](Project& p) {
        for (WallId id : ids) {
            Wall copy = offset(*find_wall(*find_floor(p, at), id), left_m);
            copy.openings.clear();
            copy.group = {};
            made.push_back({ItemKind::wall, add_wall(p, at, copy).value});
        }
    });
    w.selection().select_alone(made);
}

void join_selection(Workspace& w) {
    const auto ids = selected_walls(w);
    if (ids.size() < 2) return w.tell(tr("Select the walls that shall become one first"), true);
    constexpr double reach_m = 0.3;
    const FloorId at = w.floor_id();
    // found on a copy first: an edit that changes nothing is no edit
    std::vector<Wall> walls;
    for (WallId id : ids) walls.push_back(*find_wall(*w.floor(), id));
    std::vector<WallId> gone;
    for (std::size_t i = 0; i < walls.size(); ++i)
        for (std::size_t k = i + 1; k < walls.size();) {
            const auto both =
                walls[i].type == walls[k].type ? joined(walls[i], walls[k], reach_m) : std::nullopt;
            if (!both) {
                ++k;
                continue;
            }
            gone.push_back(walls[k].id);
            walls[i] = *both;
            walls.erase(walls.begin() + static_cast<std::ptrdiff_t>(k));
            k = i + 1;
        }
    if (gone.empty())
        return w.tell(tr("Walls are joined where their ends meet (within 30 cm) and their type is one"),
                      true);
    w.edit(tr("Join walls"), [&](Project& p) {
        for (const Wall& wall : walls) replace_wall(p, at, wall);
        for (WallId id : gone) remove_wall(p, at, id);
    });
}

void meet_selection(Workspace& w) {
    const auto ids = selected_walls(w);
    if (ids.size() != 2) return w.tell(tr("Select two walls: the first is made to meet the second"), true);
    const auto meeting = met(*find_wall(*w.floor(), ids[0]), *find_wall(*w.floor(), ids[1]));
    if (!meeting) return w.tell(tr("The first wall's line does not meet the second one"), true);
    const FloorId at = w.floor_id();
    w.edit(tr("Extend or trim wall"), [&](Project& p) {
        replace_wall(p, at, meeting->wall);
        replace_wall(p, at, meeting->other);
    });
}

void group_selection(Workspace& w) {
    if (w.selection().items().size() < 2)
        return w.tell(tr("Select the things that belong together first"), true);
    const auto items = w.selection().items();
    const FloorId at = w.floor_id();
    w.edit(tr("Group"), [&](Project& p) { group_items(p, at, items); });
}

void ungroup_selection(Workspace& w) {
    if (nothing(w, tr("Select what shall be ungrouped first"))) return;
    const auto items = w.selection().items();
    const FloorId at = w.floor_id();
    w.edit(tr("Ungroup"), [&](Project& p) { ungroup_items(p, at, items); });
}

void select_alike(Workspace& w, bool everywhere) {
    if (nothing(w, tr("Select what shall be looked for first"))) return;
    std::map<FloorId, std::vector<Item>> found;
    const Item like = w.selection().items().front();
    const Floor of = *w.floor();
    for (const Floor* f : all_floors(w.project()))
        if (everywhere || f->id == of.id) found[f->id] = alike(w.project(), of, like, *f);
    std::size_t count = 0;
    for (const auto& [at, items] : found) count += items.size();
    w.selection().select_everywhere(found);
    w.tell(tr("%1 alike %2").arg(count).arg(everywhere ? tr("on all floors") : tr("on this floor")));
}

void copy_to_floors(Workspace& w, const std::vector<FloorId>& floors) {
    if (nothing(w, tr("Select what shall be copied first"))) return;
    const Clipping clipped = clip(w.project(), *w.floor(), w.selection().items());
    if (clipped.count() == 0) return w.tell(tr("Doors and windows go with their wall: select that"), true);
    w.edit(counted("Copy to %n floor", "Copy to %n floors", floors.size()), [&](Project& p) {
        for (FloorId at : floors) paste(p, at, clipped, {});
    });
    w.tell(counted("%n thing copied to %1", "%n things copied to %1", clipped.count())
               .arg(counted("%n floor", "%n floors", floors.size())));
}

bool copy_selection(Workspace& w) {
    if (!w.floor()) return false;
    const Clipping clipped = clip(w.project(), *w.floor(), w.selection().items());
    if (clipped.count() == 0) {
        if (!w.selection().items().empty())
            w.tell(tr("Doors and windows go with their wall: select that"), true);
        return false;
    }
    const QByteArray text = QByteArray::fromStdString(clipping_to_json(clipped));
    auto* data = new QMimeData;
    data->setData(mime, text);
    data->setText(QString::fromUtf8(text));
    QGuiApplication::clipboard()->setMimeData(data);
    w.tell(counted("%n thing copied", "%n things copied", clipped.count()));
    return true;
}

bool paste_items(Workspace& w, std::optional<Point> at) {
    const QMimeData* data = QGuiApplication::clipboard()->mimeData();
    if (!w.floor() || !data || !data->hasFormat(mime)) return false;
    try {
        const Clipping clipped = clipping_from_json(data->data(mime).toStdString());
        const FloorId here = w.floor_id();
        const auto from = middle(clipped);
        // on another floor by default over where it was; on the same one beside it
        Motion motion;
        if (at && from) motion = shifted(*at - *from);
        std::vector<Item> made;
        w.edit(tr("Paste"), [&](Project& p) { made = paste(p, here, clipped, motion); });
        w.activity().set_tool(ToolId::select);
        w.selection().select_alone(made);
        w.tell(counted("%n thing pasted", "%n things pasted", made.size()));
    } catch (const Error& fault) {
        w.tell(fault_text(fault), true);
    }
    return true;
}

void duplicate_selection(Workspace& w) {
    if (nothing(w, tr("Select what shall be doubled first"))) return;
    const Clipping clipped = clip(w.project(), *w.floor(), w.selection().items());
    if (clipped.count() == 0)
        return w.tell(tr("Doors and windows are repeated along their wall: see Repeat in Details"), true);
    const FloorId at = w.floor_id();
    std::vector<Item> made;
    w.edit(tr("Duplicate"), [&](Project& p) { made = paste(p, at, clipped, shifted({0.5, -0.5})); });
    w.selection().select_alone(made);
}

void add_corner(Workspace& w, const Item& item, Point at) {
    const FloorId here = w.floor_id();
    if (item.kind == ItemKind::wall) {
        const Wall& wall = *find_wall(*w.floor(), WallId{item.id});
        const PlaceOnWall place = nearest_place(wall, at);
        constexpr double least_m = 0.02;
        if (place.along_m < least_m || place.along_m > piece_length_m(wall, place.piece) - least_m) return;
        return void(w.edit(tr("Add corner"), [&](Project& p) {
            replace_wall(p, here, with_corner(wall, place.piece, place.along_m));
        }));
    }
    auto points = corners(w.project(), *w.floor(), item);
    if (least_corners(item) == 0 || points.size() < 2) return;
    const auto side = [&](std::size_t i) { return Segment{points[i], points[(i + 1) % points.size()]}; };
    std::size_t best = 0;
    for (std::size_t i = 0; i < points.size() - (is_outline(item) ? 0 : 1); ++i)
        if (distance(side(i), at) < distance(side(best), at)) best = i;
    const Point on = nearest_point(side(best), at);
    points.insert(points.begin() + static_cast<std::ptrdiff_t>(best) + 1, on);
    w.edit(tr("Add corner"), [&](Project& p) { set_corners(p, here, item, points); });
}

void remove_corner(Workspace& w, const Item& item, std::size_t corner) {
    const FloorId here = w.floor_id();
    if (item.kind == ItemKind::wall) {
        const auto shorter =
            without_corner(*find_wall(*w.floor(), WallId{item.id}), static_cast<int>(corner));
        if (!shorter) return w.tell(tr("The wall would have no piece left"), true);
        return void(w.edit(tr("Remove corner"), [&](Project& p) { replace_wall(p, here, *shorter); }));
    }
    auto points = corners(w.project(), *w.floor(), item);
    if (points.size() <= least_corners(item))
        return w.tell(is_outline(item) ? tr("An outline needs three corners") : tr("A tray has two ends"),
                      true);
    points.erase(points.begin() + static_cast<std::ptrdiff_t>(corner));
    w.edit(tr("Remove corner"), [&](Project& p) { set_corners(p, here, item, points); });
}

}  // namespace yemvo::app
