#include "propagation/scene.h"

#include <algorithm>
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

class Builder {
public:
    Builder(const Project& project, MaskCache& masks) : project_(project), masks_(masks) { add_types(); }

    Scene build() {
        for (const Building& building : project_.buildings)
            for (const Floor& floor : building.floors) add(floor);
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
    void add(const Floor& floor) {
        auto mask = mask_of(floor, masks_);
        scene_.masks.emplace_back(floor.id, mask);
        for (const Wall& wall : *floor.walls)
            for (const Panel& panel : panels(wall, floor.height_m)) add(floor, wall, panel);
        SceneSlab slab{
            floor.elevation_m - floor.slab->thickness_m / 2, row(floor.slab->type), floor.id, mask, {}};
        for (const SlabVoid& v : floor.slab->voids) slab.voids.push_back(v.outline);
        scene_.slabs.push_back(std::move(slab));
    }
    void add(const Floor& floor, const Wall& wall, const Panel& panel) {
        const Segment piece = wall.piece(panel.piece);
        const Point along = unit(piece.b - piece.a);
        // the piece's own end, not one recomputed, so that neighbouring pieces share it to the last bit
        const Point b = panel.end_m >= length(piece) ? piece.b : piece.a + along * panel.end_m;
        scene_.panels.push_back({piece.a + along * panel.start_m, b, floor.elevation_m + panel.base_m,
                                 floor.elevation_m + panel.top_m, row(panel.type), floor.id, wall.id,
                                 panel.opening});
    }
    std::uint64_t key() const {
        ContentKey key;
        for (const LossRow& r : scene_.losses)
            for (float l : r) key.add(static_cast<double>(l));
        for (const ScenePanel& p : scene_.panels)
            key.add(p.a.x).add(p.a.y).add(p.b.x).add(p.b.y).add(p.base_m).add(p.top_m).add(p.row);
        for (const SceneSlab& s : scene_.slabs) {
            key.add(s.level_m).add(s.row).add(walls_key(*find_floor(project_, s.floor)->walls));
            for (const auto& outline : s.voids)
                for (Point p : outline) key.add(p.x).add(p.y);
        }
        return key.value();
    }

    const Project& project_;
    MaskCache& masks_;
    Scene scene_;
};

bool passes_wall(const Scene& scene, Point3 from, Point3 to) {
    return std::any_of(scene.panels.begin(), scene.panels.end(), [&](const ScenePanel& p) {
        return from.z >= p.base_m && from.z < p.top_m &&
               crossing({from.flat(), to.flat()}, {p.a, p.b}).has_value();
    });
}

}  // namespace

bool SceneSlab::covers(Point p) const {
    if (!extent->inside(p)) return false;
    return std::none_of(voids.begin(), voids.end(),
                        [&](const auto& outline) { return contains(outline, p); });
}

const FloorMask& Scene::mask(FloorId id) const {
    for (const auto& [floor, mask] : masks)
        if (floor == id) return *mask;
    throw std::logic_error("a floor that the scene does not have");
}

Scene make_scene(const Project& project, MaskCache& masks) { return Builder(project, masks).build(); }

Point3 engine_source(const Scene& scene, Point3 source) {
    constexpr Point step{0.0137, 0.0071};
    for (Point by : {step, step * -1.0, left_of(step), left_of(step) * -1.0}) {
        const Point3 moved = source + Point3{by.x, by.y, 0};
        if (!passes_wall(scene, source, moved)) return moved;
    }
    return source + Point3{step.x, step.y, 0};
}

}  // namespace yemvo
