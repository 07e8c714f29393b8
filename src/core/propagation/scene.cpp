#include "propagation/scene.h"

#include <algorithm>
#include <cmath>
#include <stdexcept>

namespace yemvo {
namespace {

std::uint64_t walls_key(const std::vector<Wall>& walls) {
    ContentKey key;
    for (const Wall& w : walls) {
        key.add(static_cast<int>(w.points.size()));
        for (Point p : w.points) key.add(p.x).add(p.y);
    }
    return key.value();
}

std::shared_ptr<const FloorMask> mask_of(const Floor& floor, MaskCache& cache) {
    const std::uint64_t key = walls_key(*floor.walls);
    if (auto kept = cache.find(key)) return kept;
    auto mask = std::make_shared<const FloorMask>(*floor.walls);
    cache.keep(key, mask, 1 << 17);
    return mask;
}

constexpr double most_rise_m = 0.25;

class Builder {
public:
    Builder(const Project& project, MaskCache& masks, BuildingId frame) : project_(project), masks_(masks) {
        add_types();
        const Building* own = find_building(project, frame);
        if (!own && !project.buildings.empty()) own = &project.buildings.front();
        if (own) scene_.frame = own->id;
        if (own) to_frame_ = inverse(own->placement);
    }

    Scene build() {
        for (const Building& building : project_.buildings) {
            // a building in its own metres keeps its numbers to the last bit
            const Similarity placed =
                building.id == scene_.frame ? Similarity{} : compose(to_frame_, building.placement);
            for (const Floor& floor : building.floors) add(building, floor, placed);
        }
        std::sort(scene_.slabs.begin(), scene_.slabs.end(),
                  [](const SceneSlab& a, const SceneSlab& b) { return a.level_m < b.level_m; });
        scene_.key = key();
        return std::move(scene_);
    }

private:
    void add_types() {
        for (const WallType& type : *project_.wall_types) {
            LossRow row;
            for (const Band& b : bands())
                row.push_back(static_cast<float>(loss_db(type, b.reference_mhz / 1000)));
            scene_.losses.push_back(std::move(row));
            scene_.types.push_back(type.id);
        }
    }
    int row(WallTypeId id) const {
        const auto found = std::find(scene_.types.begin(), scene_.types.end(), id);
        if (found == scene_.types.end()) throw std::logic_error("a wall type that the project does not have");
        return static_cast<int>(found - scene_.types.begin());
    }
    void add(const Building& building, const Floor& floor, const Similarity& placed) {
        scene_.floors.push_back({floor.id, mask_of(floor, masks_), building.kind,
                                 building.level_m + floor.elevation_m, building.level_m + floor.top_m(),
                                 floor.slope, placed.turn_deg, PointMap(placed)});
        for (const Wall& wall : *floor.walls)
            for (const Panel& panel : panels(wall, floor.height_m)) add(scene_.floors.back(), wall, panel);
        if (building.kind == BuildingKind::building) add_slab(building, floor);
    }
    void add_slab(const Building& building, const Floor& floor) {
        const SceneFloor& at = scene_.floors.back();
        SceneSlab slab;
        slab.level_m = at.level_m - floor.slab->thickness_m / 2;
        slab.row = row(floor.slab->type);
        slab.floor = floor.id;
        slab.extent = at.mask;
        slab.plate = floor.plate;
        if (project_.buildings.size() > 1 && !at.mask->enclosed()) slab.limit = extent(building);
        for (const SlabVoid& v : floor.slab->voids) slab.voids.push_back(v.outline);
        slab.to_scene = at.to_scene;
        scene_.slabs.push_back(std::move(slab));
    }
    void add(const SceneFloor& floor, const Wall& wall, const Panel& panel) {
        const Segment piece = wall.piece(panel.piece);
        const Point along = unit(piece.b - piece.a);
        const Point a = piece.a + along * panel.start_m;
        // the piece's own end, not one recomputed, so that neighbouring pieces share it to the last bit
        const Point b = panel.end_m >= length(piece) ? piece.b : piece.a + along * panel.end_m;
        const double rise_m = std::abs(floor.ground_m(b) - floor.ground_m(a));
        const int cuts = std::clamp(static_cast<int>(std::ceil(rise_m / most_rise_m)), 1, 1000);
        Point from = a;
        for (int i = 1; i <= cuts; ++i) {
            const Point to = i == cuts ? b : lerp(a, b, static_cast<double>(i) / cuts);
            const double ground_m = floor.ground_m(lerp(from, to, 0.5));
            scene_.panels.push_back({floor.to_scene.apply(from), floor.to_scene.apply(to),
                                     ground_m + panel.base_m, ground_m + panel.top_m, row(panel.type),
                                     floor.floor, wall.id, panel.opening});
            from = to;
        }
    }
    static void add_points(ContentKey& key, const std::vector<Point>& points) {
        key.add(static_cast<int>(points.size()));
        for (Point p : points) key.add(p.x).add(p.y);
    }
    std::uint64_t key() const {
        ContentKey key;
        for (const LossRow& r : scene_.losses)
            for (float l : r) key.add(static_cast<double>(l));
        for (const ScenePanel& p : scene_.panels)
            key.add(p.a.x).add(p.a.y).add(p.b.x).add(p.b.y).add(p.base_m).add(p.top_m).add(p.row);
        for (const SceneSlab& s : scene_.slabs) {
            key.add(s.level_m).add(s.row).add(walls_key(*find_floor(project_, s.floor)->walls));
            for (Point p : {s.to_scene.apply({0, 0}), s.to_scene.apply({1000, 0})}) key.add(p.x).add(p.y);
            add_points(key, s.plate);
            if (s.limit) add_points(key, {s.limit->low, s.limit->high});
            for (const auto& outline : s.voids) add_points(key, outline);
        }
        return key.value();
    }

    const Project& project_;
    MaskCache& masks_;
    Similarity to_frame_;
    Scene scene_;
};

bool passes_wall(const Scene& scene, Point3 from, Point3 to) {
    return std::any_of(scene.panels.begin(), scene.panels.end(), [&](const ScenePanel& p) {
        return from.z >= p.base_m && from.z < p.top_m &&
               crossing({from.flat(), to.flat()}, {p.a, p.b}).has_value();
    });
}

}  // namespace

bool SceneSlab::covers(Point in_scene) const {
    const Point p = to_scene.invert(in_scene);
    if (plate.empty() ? !extent->inside(p) : !contains(plate, p)) return false;
    if (limit && plate.empty() && !limit->contains(p)) return false;
    return std::none_of(voids.begin(), voids.end(),
                        [&](const auto& outline) { return contains(outline, p); });
}

const SceneFloor& Scene::floor(FloorId id) const {
    for (const SceneFloor& f : floors)
        if (f.floor == id) return f;
    throw std::logic_error("a floor that the scene does not have");
}

Scene make_scene(const Project& project, MaskCache& masks, BuildingId frame) {
    return Builder(project, masks, frame).build();
}

Point3 antenna_place(const Scene& scene, const Floor& floor, const AccessPoint& ap) {
    const SceneFloor& at = scene.floor(floor.id);
    const Point p = at.to_scene.apply(ap.position);
    return {p.x, p.y, at.ground_m(ap.position) + ap.height_m};
}

double azimuth_deg(const Scene& scene, const Floor& floor, const AccessPoint& ap) {
    return ap.azimuth_deg - scene.floor(floor.id).turn_deg;
}

Point3 engine_source(const Scene& scene, Point3 source) {
    constexpr Point step{0.0137, 0.0071};
    for (Point by : {step, step * -1.0, left_of(step), left_of(step) * -1.0}) {
        const Point3 moved = source + Point3{by.x, by.y, 0};
        if (!passes_wall(scene, source, moved)) return moved;
    }
    return source + Point3{step.x, step.y, 0};
}

}  // namespace yemvo
