#include "venue/floor.h"

#include <algorithm>
#include <array>

namespace yemvo {
namespace {
constexpr std::array<std::string_view, 4> zone_kinds{"served", "not needed", "keep out", "outside"};
}

std::string_view zone_kind_name(ZoneKind kind) { return zone_kinds[static_cast<std::size_t>(kind)]; }

std::optional<ZoneKind> find_zone_kind(std::string_view name) {
    const auto found = std::find(zone_kinds.begin(), zone_kinds.end(), name);
    if (found == zone_kinds.end()) return std::nullopt;
    return static_cast<ZoneKind>(found - zone_kinds.begin());
}

std::optional<Box> extent(const Floor& floor) {
    std::vector<Point> points;
    for (const Wall& wall : *floor.walls) points.insert(points.end(), wall.points.begin(), wall.points.end());
    for (const Zone& zone : *floor.zones)
        points.insert(points.end(), zone.outline.begin(), zone.outline.end());
    if (points.empty() && *floor.drawing) {
        const double w = floor.drawing->width_px, h = floor.drawing->height_px;
        for (Point p : {Point{0, 0}, Point{w, 0}, Point{w, h}, Point{0, h}})
            points.push_back(floor.drawing->to_venue(p));
    }
    return bounds(points);
}

}  // namespace yemvo
