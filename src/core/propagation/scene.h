// The venue as flat arrays for tracing: one metre system, absolute heights.
//
// Both ways of finding what a ray crosses, the walk along one link (trace.h) and the wall-shadow raster
// (shadow_raster.h), read the same panels, slabs and loss rows and shift the source by the same small step,
// so that they agree cell by cell.
#pragma once
#include <array>
#include <memory>
#include <vector>

#include "base/content_key.h"
#include "project/project.h"
#include "propagation/floor_mask.h"
#include "wireless/band.h"

namespace yemvo {

/// Transmission loss [dB] at each band's reference frequency, by band index.
using LossRow = std::vector<float>;

/// An upright rectangle of one type.
struct ScenePanel {
    Point a, b;
    double base_m, top_m;  ///< absolute; the panel is [base, top)
    int row;               ///< into Scene::losses
    FloorId floor;
    WallId wall;
    OpeningId opening;  ///< none: the wall itself
};

/// A floor plate as a horizontal sheet at half its thickness.
struct SceneSlab {
    double level_m;
    int row;
    FloorId floor;  ///< the floor standing on it
    std::shared_ptr<const FloorMask> extent;
    std::vector<std::vector<Point>> voids;
    /// Whether there is slab, not void and not outside the building, at a place.
    bool covers(Point) const;
};

struct Scene {
    std::vector<ScenePanel> panels;
    std::vector<SceneSlab> slabs;   ///< by rising level
    std::vector<LossRow> losses;    ///< a row a wall type
    std::vector<WallTypeId> types;  ///< of each row
    std::uint64_t key = 0;          ///< equal for equal content
    const FloorMask& mask(FloorId) const;
    std::vector<std::pair<FloorId, std::shared_ptr<const FloorMask>>> masks;
};

/// `masks`: kept from scene to scene, since most edits change no wall.
using MaskCache = ContentCache<FloorMask>;
Scene make_scene(const Project&, MaskCache& masks);

/// Where the engine takes a source to stand: moved by (1.37, 0.71) cm, so that rays do not run exactly
/// through corners when a drawing lies on a lattice; the other way round where that would carry it through a
/// wall.
Point3 engine_source(const Scene&, Point3 source);

}  // namespace yemvo
