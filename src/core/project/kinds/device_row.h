// SPDX-License-Identifier: GPL-3.0-or-later
// Rows of fixed devices.
#pragma once
#include "project/kinds/kind.h"

namespace yemvo {

/// Throws RuleBroken.
void check(const DeviceRow&);

template <>
struct KindOf<DeviceRow> : InFloor<DeviceRow, &Floor::device_rows>, ByOutline<DeviceRow>, OfNoType, OneId {
    static constexpr bool is_outline = false;
    static constexpr std::size_t least_corners = 0;
    static constexpr ItemKind kind = ItemKind::device_row;
    static constexpr const char *name = mark("device row"), *plural = mark("device rows"),
                                *key = "device_rows", *clip_key = "device_rows";
    static constexpr bool comes_along(const FloorParts& parts) { return parts.zones; }
    static Said label(const DeviceRow& r) {
        return r.name.empty() ? say("device row") : say("device row %1", r.name);
    }
    static std::vector<Point> points(const DeviceRow& r) { return {r.from, r.to}; }
    static void set_points(DeviceRow& r, const std::vector<Point>& points) {
        r.from = points.at(0);
        r.to = points.at(1);
    }
    static std::vector<Point> shape(const DeviceRow& r) { return points(r); }
    static Json write(const DeviceRow&);
    static DeviceRow read(const Reader&);
};

}  // namespace yemvo
