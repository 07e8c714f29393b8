// SPDX-License-Identifier: GPL-3.0-or-later
// The venue as flat arrays for tracing: one metre system, absolute heights.
//
// Both ways of finding what a ray crosses, the walk along one link (trace.h) and the wall-shadow raster
// (shadow_raster.h), read the same panels, slabs and loss rows and shift the source by the same small step,
// so that they agree cell by cell.
#pragma once
#include <list>
#include <memory>
#include <mutex>
#include <optional>
#include <unordered_map>
#include <vector>

#include "base/content_key.h"
#include "geometry/segment_index.h"
#include "project/project.h"
#include "propagation/angle_law.h"
#include "propagation/floor_mask.h"
#include "wireless/band.h"

namespace yemvo {

/// An upright rectangle of one type.
struct ScenePanel {
    Point a, b;
    double base_m, top_m;  ///< absolute; the panel is [base, top)
    int row;               ///< into Scene::laws
    FloorId floor;
    WallId wall;
    OpeningId opening;  ///< none: the wall itself
};

/// A part of a sheet that is built of something else.
struct SlabPatch {
    std::vector<Point> outline;
    int row;
};

/// A sheet: a floor plate or a ramp at half its thickness, or a suspended ceiling.
struct SceneSlab {
    double level_m;
    int row;
    FloorId floor;      ///< the floor standing on it, or under the ceiling
    CeilingId ceiling;  ///< 0: a floor plate
    RampId ramp;        ///< 0: level
    Point rise{};       ///< of a ramp, metres a metre in the scene; level_m then holds at the scene's origin
    std::shared_ptr<const FloorMask> extent;
    std::vector<Point> plate;  ///< its outline; empty: as far as the extent
    std::optional<Box> limit;  ///< where nothing encloses it: no farther than this
    std::vector<std::vector<Point>> voids;
    std::vector<SlabPatch> patches;  ///< the later on top
    PointMap to_scene;               ///< from the metres of its building, in which all of the above are
    /// Share of the way at which a ray passes it; none when it stays on one side.
    std::optional<double> share(Point3 source, Point3 receiver) const;
    /// Which loss row a place of the scene has; none in a void or outside the building.
    std::optional<int> row_at(Point) const;
};

/// A solid that takes dB a metre: its row of `laws` is a metre's.
struct ScenePrism {
    std::vector<Point> outline;  ///< counter-clockwise
    double base_m, top_m;        ///< absolute; [base, top)
    int row;
    double most_db;
    bool saturates;
    FloorId floor;
    ObstacleId obstacle;
    bool convex = false;
};

/// Where a floor lies in the scene.
struct SceneFloor {
    FloorId floor;
    std::shared_ptr<const FloorMask> mask;  ///< in the metres of its building
    BuildingKind kind;
    double level_m;     ///< of its surface at its origin, absolute
    double top_m;       ///< of its storey, absolute
    Slope slope;        ///< in the metres of its building
    double turn_deg;    ///< of its building against the scene
    PointMap to_scene;  ///< from the metres of its building
    /// Absolute height of its surface at a place in the metres of its building.
    double ground_m(Point p) const { return level_m + slope.x * p.x + slope.y * p.y; }
};

/// The whole site in the metres of one building, so that its floors' grids lie straight in it.
struct Scene {
    std::vector<ScenePanel> panels;
    std::vector<SceneSlab> slabs;  ///< floor plates and suspended ceilings
    std::vector<ScenePrism> prisms;
    std::vector<std::vector<AngleLaw>> laws;  ///< a row a wall type, a law a band at its reference frequency
    std::vector<std::vector<AngleLaw>>
        deviations;                 ///< standard deviation of each [dB], from the type's spread
    std::vector<WallTypeId> types;  ///< of each row that is a type's own; they come first
    /// Of each row after those: which row it is in each band. Walls on each other, of which one takes more in
    /// one band and one in another.
    std::vector<std::vector<int>> mixed;
    WallTypeId type_of(int row, BandId) const;
    std::vector<SceneFloor> floors;
    BuildingId frame;       ///< the building in whose metres it is
    std::uint64_t key = 0;  ///< equal for equal content
    /// Of each panel, slab and prism, and of all laws.
    std::vector<std::uint64_t> panel_keys, slab_keys, prism_keys;
    std::uint64_t laws_key = 0;
    SegmentIndex panel_index;  ///< of the panels from above, by their places in the list
    const SceneFloor& floor(FloorId) const;
    const FloorMask& mask(FloorId id) const { return *floor(id).mask; }
};

/// From which places nothing arrives on a surface, whatever the walls, by their keys. Safe from several
/// threads.
class SilentPlaces {
public:
    /// None where nobody has looked yet.
    std::optional<bool> is_silent(std::uint64_t key) const {
        const std::lock_guard lock(mutex_);
        const auto found = known_.find(key);
        return found == known_.end() ? std::nullopt : std::optional(found->second);
    }
    void note(std::uint64_t key, bool silent) {
        constexpr std::size_t most = 500'000;
        const std::lock_guard lock(mutex_);
        if (known_.size() > most) known_.clear();
        known_[key] = silent;
    }

private:
    mutable std::mutex mutex_;
    std::unordered_map<std::uint64_t, bool> known_;
};

/// Kept from scene to scene, since most edits change no wall and no type. Safe from several threads.
class SceneCache {
public:
    explicit SceneCache(std::size_t budget_bytes)
        : SceneCache(std::make_shared<MemoryBudget>(budget_bytes)) {}
    explicit SceneCache(const std::shared_ptr<MemoryBudget>& budget) : masks(budget), scenes_(budget) {}
    struct Laws {
        std::vector<std::vector<AngleLaw>> loss, deviation;
    };
    std::shared_ptr<const Laws> laws(const Shared<std::vector<WallType>>&);
    /// As make_scene(); the last few are kept.
    std::shared_ptr<const Scene> scene(const Project&, BuildingId frame);
    ContentCache<FloorMask> masks;
    SilentPlaces silent;

private:
    struct Made {
        std::vector<Building> buildings;
        Shared<std::vector<WallType>> types;
        BuildingId frame;
        std::uint64_t number;  ///< under which its scene is kept
    };
    std::mutex mutex_;
    Shared<std::vector<WallType>> types_;
    std::shared_ptr<const Laws> laws_;
    std::list<Made> made_;  ///< latest first
    std::uint64_t numbers_ = 0;
    ContentCache<Scene> scenes_;
};
/// In the metres of `frame`, by default the first building. Where walls lie on each other, the one that takes
/// more counts, band by band. Arcs are followed by chords; walls up to the
/// ceiling are cut where the ceiling's height changes. Walls on sloping ground stand on the ground under
/// their middle, cut so that it rises by at most 0.25 m along a panel.
Scene make_scene(const Project&, SceneCache&, BuildingId frame = {});

/// Where an access point's antennas are in the scene.
Point3 antenna_place(const Scene&, const Floor&, const AccessPoint&);
/// Where its azimuth points in the scene, clockwise from the scene's north.
double azimuth_deg(const Scene&, const Floor&, const AccessPoint&);

/// Where the engine takes a source to stand: moved by (1.37, 0.71) cm, so that rays do not run exactly
/// through corners when a drawing lies on a lattice; the other way round where that would carry it through a
/// wall. Nearer than 3 cm to a wall it is taken to be 3 cm off, on the side where it is.
Point3 engine_source(const Scene&, Point3 source);

}  // namespace yemvo
