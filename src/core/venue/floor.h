// SPDX-License-Identifier: GPL-3.0-or-later
// Floors and what stands on them.
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "base/id.h"
#include "base/shared.h"
#include "demand/zone_demand.h"
#include "geometry/polygon.h"
#include "geometry/similarity.h"
#include "geometry/similarity_fit.h"
#include "venue/axis_grid.h"
#include "venue/cable_ways.h"
#include "venue/closet.h"
#include "venue/device_row.h"
#include "venue/drawing.h"
#include "venue/listening_place.h"
#include "venue/obstacle.h"
#include "venue/wall.h"

namespace yemvo {

enum class ZoneKind {
    served,      ///< requirements hold here
    not_needed,  ///< nobody needs service: shafts, stairs, plant
    keep_out,    ///< served, but no access point may hang here
    outside,     ///< not ours: outside the property
};

struct Zone {
    ZoneId id;
    std::string name;
    ZoneKind kind = ZoneKind::served;
    std::vector<Point> outline;  ///< at least three corners
    int colour = 0;              ///< which of the zone colours, [0, zone_colours)
    GroupId group = {};
    bool open_air = false;  ///< a courtyard: walls enclose it, but it is outside, under the open sky
    std::optional<ZoneDemand> demand = {};
    friend bool operator==(const Zone&, const Zone&) = default;
};
inline constexpr int zone_colours = 8;

/// An opening through the slab under a floor.
struct SlabVoid {
    VoidId id;
    std::string name;
    std::vector<Point> outline;
    GroupId group = {};
    friend bool operator==(const SlabVoid&, const SlabVoid&) = default;
};

/// A part of the slab under a floor that is built of something else; the later one lies on top.
struct SlabArea {
    SlabAreaId id;
    std::string name;
    WallTypeId type;
    std::vector<Point> outline;
    GroupId group = {};
    friend bool operator==(const SlabArea&, const SlabArea&) = default;
};

/// A part of a floor with another ceiling: lower, or hung with something.
struct CeilingArea {
    CeilingId id;
    std::string name;
    std::vector<Point> outline;
    double height_m = 2.7;           ///< above the floor
    std::optional<WallTypeId> type;  ///< of the suspended ceiling; none: nothing is hung there
    GroupId group = {};
    friend bool operator==(const CeilingArea&, const CeilingArea&) = default;
};

/// A sloping plate from the floor upwards: its foot is the edge between the first two corners, its head the
/// edge between the other two.
struct Ramp {
    RampId id;
    std::string name;
    WallTypeId type;             ///< with the use "slab"
    std::vector<Point> outline;  ///< four corners: two of the foot, two of the head
    double foot_m = 0;           ///< of its surface at the foot, above the floor
    double rise_m = 3;           ///< from foot to head
    GroupId group = {};
    friend bool operator==(const Ramp&, const Ramp&) = default;
};
inline Point foot(const Ramp& r) { return lerp(r.outline[0], r.outline[1], 0.5); }
inline Point head(const Ramp& r) { return lerp(r.outline[2], r.outline[3], 0.5); }

/// Words, and perhaps a photo, pinned to a place.
struct Note {
    NoteId id;
    std::string text;
    Point position;
    std::string photo;  ///< an asset of the project; empty: none
    GroupId group = {};
    friend bool operator==(const Note&, const Note&) = default;
};

/// The plate under a floor; its top is the floor's elevation.
struct Slab {
    WallTypeId type;
    double thickness_m = 0.3;
    std::vector<SlabVoid> voids;
    std::vector<SlabArea> areas{};
    friend bool operator==(const Slab&, const Slab&) = default;
};

/// How a floor was laid on the one below it.
struct Alignment {
    FloorId to;
    std::vector<PointPair> pairs;  ///< a place here and where it belongs there, in metres of the building
    friend bool operator==(const Alignment&, const Alignment&) = default;
};

/// Rise of the ground, metres a metre eastward and northward.
struct Slope {
    double x = 0, y = 0;
    friend bool operator==(const Slope&, const Slope&) = default;
};

/// One storey. Its coordinates are the building's own.
struct Floor {
    FloorId id;
    std::string name;
    double elevation_m = 0;    ///< of its top surface, above the building's zero
    double height_m = 3.5;     ///< up to the top surface of the floor above
    bool mezzanine = false;    ///< stands within the storey of a floor below it; moves with that
    Slope slope;               ///< of its surface; elevation_m holds at (0, 0)
    std::vector<Point> plate;  ///< outline of its slab; empty: what its walls enclose
    Shared<Slab> slab;
    Shared<std::vector<Wall>> walls;
    Shared<std::vector<Zone>> zones;
    Shared<std::vector<Obstacle>> obstacles;
    Shared<std::vector<CeilingArea>> ceilings;
    Shared<std::vector<Ramp>> ramps;
    Shared<std::vector<Note>> notes;
    Shared<std::vector<Closet>> closets;
    Shared<std::vector<Outlet>> outlets;
    Shared<std::vector<Tray>> trays;
    Shared<std::vector<Riser>> risers;
    Shared<std::vector<DeviceRow>> device_rows;
    Shared<std::vector<ListeningPlace>> listening_places;
    Shared<std::vector<Drawing>> drawings;  ///< the lowest first
    std::optional<Alignment> alignment;

    double ground_m(Point p) const { return elevation_m + slope.x * p.x + slope.y * p.y; }
    double top_m() const { return elevation_m + height_m; }
    friend bool operator==(const Floor&, const Floor&) = default;
};

enum class BuildingKind {
    building,
    yard,  ///< open air: no slab under it, nothing encloses it
};

struct Building {
    BuildingId id;
    std::string name;
    std::vector<Floor> floors;  ///< by rising elevation
    BuildingKind kind = BuildingKind::building;
    Similarity placement;  ///< from its own metres to the site's; its scale is 1
    double level_m = 0;    ///< of its zero, above the site's zero
    AxisGrid axes = {};    ///< empty where nobody told them
    friend bool operator==(const Building&, const Building&) = default;
};

/// An access point hangs this much below its ceiling: its antennas are on the room's side of it.
inline constexpr double below_ceiling_m = 0.05;
/// How high an access point hangs at a place: at the lowest ceiling area there, else 0.3 m below the top of
/// the storey, at least 0.5 m up.
double hanging_m(const Floor&, Point);
/// Height of the ceiling over a place, above the floor: of the lowest ceiling area there, else `slab_m`.
double ceiling_m(const Floor&, Point, double slab_m);

std::string_view zone_kind_name(ZoneKind);
std::optional<ZoneKind> find_zone_kind(std::string_view name);

std::string_view building_kind_name(BuildingKind);
std::optional<BuildingKind> find_building_kind(std::string_view name);

/// Where the floor's walls and zones lie, else its plate, else its drawings; none for an empty floor.
std::optional<Box> extent(const Floor&);
/// Where its drawings lie; none without any.
std::optional<Box> drawings_extent(const Floor&);
/// Round all floors, in the building's own metres.
std::optional<Box> extent(const Building&);
/// A drawing lies under the floor and none that is shown has a scale.
bool needs_scale(const Floor&);

}  // namespace yemvo
