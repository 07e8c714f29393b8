// Floors and what stands on them.
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "base/id.h"
#include "base/shared.h"
#include "geometry/polygon.h"
#include "geometry/similarity.h"
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
    friend bool operator==(const Zone&, const Zone&) = default;
};

/// An opening through the slab under a floor.
struct SlabVoid {
    VoidId id;
    std::string name;
    std::vector<Point> outline;
    friend bool operator==(const SlabVoid&, const SlabVoid&) = default;
};

/// The plate under a floor; its top is the floor's elevation.
struct Slab {
    WallTypeId type;
    double thickness_m = 0.3;
    std::vector<SlabVoid> voids;
    friend bool operator==(const Slab&, const Slab&) = default;
};

/// A picture lying under a floor. Its own coordinates are pixels from the upper left corner, x right, y down.
struct Drawing {
    std::string asset;  ///< name of the bytes in the project's assets; empty: no drawing
    int width_px = 0, height_px = 0;
    Similarity placement;   ///< from (x, -y) in pixels to metres
    bool to_scale = false;  ///< set once a length was given
    double opacity = 0.55;  ///< [0, 1]
    Point to_venue(Point pixel) const { return placement.apply({pixel.x, -pixel.y}); }
    Point to_pixel(Point venue) const {
        const Point p = placement.invert(venue);
        return {p.x, -p.y};
    }
    explicit operator bool() const { return !asset.empty(); }
    friend bool operator==(const Drawing&, const Drawing&) = default;
};

struct Floor {
    FloorId id;
    std::string name;
    double elevation_m = 0;  ///< of its top surface, above the site's zero
    double height_m = 3.5;   ///< up to the top surface of the floor above
    Shared<Slab> slab;
    Shared<std::vector<Wall>> walls;
    Shared<std::vector<Zone>> zones;
    Shared<Drawing> drawing;
    friend bool operator==(const Floor&, const Floor&) = default;
};

struct Building {
    BuildingId id;
    std::string name;
    std::vector<Floor> floors;  ///< from the lowest up
    friend bool operator==(const Building&, const Building&) = default;
};

std::string_view zone_kind_name(ZoneKind);
std::optional<ZoneKind> find_zone_kind(std::string_view name);

/// Where the floor's walls, zones and drawing lie; none for an empty floor.
std::optional<Box> extent(const Floor&);

}  // namespace yemvo
