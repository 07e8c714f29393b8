// SPDX-License-Identifier: GPL-3.0-or-later
// Things on a floor, whatever they are: found, shaped, moved, grouped, removed, copied. Ids must exist unless
// said otherwise (std::logic_error).
#pragma once
#include "project/item.h"
#include "project/project.h"

namespace yemvo {

bool exists(const Project&, const Floor&, const Item&);
/// Of every kind but openings, in no order that means anything.
std::vector<Item> all_items(const Project&, const Floor&);

/// The places that shape it: a run's or outline's corners, one place for an access point or a note, none for
/// an opening. set_corners wants as many as corners gave, or for outlines at least three.
std::vector<Point> corners(const Project&, const Floor&, const Item&);
void set_corners(Project&, FloorId, const Item&, const std::vector<Point>&);
/// Outlines are closed, runs are not; neither are single places.
bool is_outline(const Item&);
/// So many corners it keeps at least where they come and go: outlines three, trays two; 0 where they do not,
/// and for walls, which have their own way (with_corner).
std::size_t least_corners(const Item&);
/// All that it covers, arcs and round shapes followed.
std::vector<Point> shape_of(const Project&, const Floor&, const Item&);

void remove_item(Project&, FloorId, const Item&);

/// Mirrored across the line through the origin at north, or not; then turned about the origin and shifted.
struct Motion {
    bool mirrored = false;
    Similarity then{};  ///< its scale is 1
    Point apply(Point p) const { return then.apply(mirrored ? Point{-p.x, p.y} : p); }
};
Motion shifted(Point by);
Motion turned(Point about, double turn_deg);
/// Across the line through two places.
Motion mirrored(Point a, Point b);

/// Carries things along. An opening slides along its wall by as much of the shift as lies along it, to
/// whole centimetres, unless its wall is moved too. Access points under another ceiling keep their distance
/// to it.
void move_items(Project&, FloorId, const std::vector<Item>&, const Motion&);

/// 0: none.
GroupId group_of(const Floor&, const Item&);
/// Openings and access points take no part in groups and are passed over.
void group_items(Project&, FloorId, const std::vector<Item>&);
void ungroup_items(Project&, FloorId, const std::vector<Item>&);
/// The items and whatever shares a group with one of them.
std::vector<Item> with_groups(const Project&, const Floor&, const std::vector<Item>&);

/// The wall type, or the model's id for an access point; none for zones, voids and notes.
std::optional<WallTypeId> type_of(const Project&, const Floor&, const Item&);
void set_type(Project&, FloorId, const Item&, WallTypeId);
/// What kind of type it may have; none where it has none.
std::optional<TypeUse> use_of(const Floor&, const Item&);
/// Of the same kind and type (zones: kind; access points: model) on the floor, itself included.
std::vector<Item> alike(const Project&, const Floor& of, const Item&, const Floor& on);

}  // namespace yemvo
