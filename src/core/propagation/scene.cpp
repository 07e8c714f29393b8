// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/scene.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <stdexcept>

#include "geometry/segment_index.h"
#include "propagation/crossing_rule.h"
#include "propagation/panel_merge.h"

namespace yemvo {
namespace {

std::uint64_t mask_key(const std::vector<Wall>& walls, const std::vector<std::vector<Point>>& courtyards) {
    ContentKey key;
    for (const auto& outline : courtyards) {
        key.add(-static_cast<int>(outline.size()));
        for (Point p : outline) key.add(p.x).add(p.y);
    }
    for (const Wall& w : walls) {
        key.add(static_cast<int>(w.points.size()));
        for (Point p : w.points) key.add(p.x).add(p.y);
        for (double b : w.bulges) key.add(b);
    }
    return key.value();
}

std::shared_ptr<const FloorMask> mask_of(const Floor& floor, ContentCache<FloorMask>& cache) {
    const auto courtyards = open_air(floor);
    const std::uint64_t key = mask_key(*floor.walls, courtyards);
    if (auto kept = cache.find(key)) return kept;
    auto mask = std::make_shared<const FloorMask>(*floor.walls, courtyards);
    cache.keep(key, mask, 1 << 17);
    return mask;
}

double signed_area_m2(const std::vector<Point>& outline) {
    double sum = 0;
    for (std::size_t i = 0; i < outline.size(); ++i)
        sum += cross(outline[i], outline[(i + 1) % outline.size()]);
    return sum / 2;
}

/// Of a counter-clockwise outline.
bool is_convex(const std::vector<Point>& outline) {
    const std::size_t n = outline.size();
    double turned = 0;
    for (std::size_t i = 0; i < n; ++i) {
        const Point a = outline[(i + 1) % n] - outline[i], b = outline[(i + 2) % n] - outline[(i + 1) % n];
        if (cross(a, b) < -1e-9) return false;
        turned += std::atan2(cross(a, b), dot(a, b));
    }
    return turned < 7;  // once round, not twice
}

constexpr double most_rise_m = 0.25;

class Builder {
public:
    Builder(const Project& project, SceneCache& cache, BuildingId frame) : project_(project), cache_(cache) {
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
        merge_colinear(
            scene_.panels,
            [&] {
                std::vector<std::vector<double>> losses;
                for (const auto& laws : scene_.laws) {
                    auto& row_losses = losses.emplace_back();
                    for (const AngleLaw& law : laws) row_losses.push_back(law.loss_db(1));
                }
                return losses;
            }(),
            [&](const std::vector<int>& by_band) { return mixed_row(by_band); });
        std::sort(scene_.slabs.begin(), scene_.slabs.end(),
                  [](const SceneSlab& a, const SceneSlab& b) { return a.level_m < b.level_m; });
        index_panels();
        set_keys();
        return std::move(scene_);
    }

private:
    void add_types() {
        const auto laws = cache_.laws(project_.wall_types);
        scene_.laws = laws->loss;
        scene_.deviations = laws->deviation;
        for (const WallType& type : *project_.wall_types) scene_.types.push_back(type.id);
    }
    /// A row whose law is in each band that of another row: of walls on each other, of which one takes more
    /// in one band and one in another.
    int mixed_row(const std::vector<int>& by_band) {
        const auto known = mixed_.find(by_band);
        if (known != mixed_.end()) return known->second;
        std::vector<AngleLaw> laws, deviations;
        for (std::size_t b = 0; b < by_band.size(); ++b) {
            laws.push_back(scene_.laws[static_cast<std::size_t>(by_band[b])][b]);
            deviations.push_back(scene_.deviations[static_cast<std::size_t>(by_band[b])][b]);
        }
        scene_.laws.push_back(on_same_pieces(std::move(laws)));
        scene_.deviations.push_back(std::move(deviations));
        scene_.mixed.push_back(by_band);
        return mixed_[by_band] = static_cast<int>(scene_.laws.size()) - 1;
    }
    int row(WallTypeId id) const {
        const auto found = std::find(scene_.types.begin(), scene_.types.end(), id);
        if (found == scene_.types.end()) throw std::logic_error("a wall type that the project does not have");
        return static_cast<int>(found - scene_.types.begin());
    }
    void add(const Building& building, const Floor& floor, const Similarity& placed) {
        scene_.floors.push_back({floor.id, mask_of(floor, cache_.masks), building.kind,
                                 building.level_m + floor.elevation_m, building.level_m + floor.top_m(),
                                 floor.slope, placed.turn_deg, PointMap(placed)});
        for (const Wall& wall : *floor.walls)
            for (const Panel& panel : panels(wall, floor.height_m))
                add(scene_.floors.back(), floor, wall, panel);
        if (building.kind == BuildingKind::building) add_slab(building, floor);
        for (const CeilingArea& c : *floor.ceilings)
            if (c.type) add_ceiling(floor, c);
        for (const Ramp& r : *floor.ramps) add(r);
        for (const Obstacle& o : *floor.obstacles) add(floor, o);
    }
    void add_ceiling(const Floor& floor, const CeilingArea& c) {
        const SceneFloor& at = scene_.floors.back();
        SceneSlab sheet;
        // what is mounted flush hangs in the room, not above it
        constexpr double flush_m = 1e-3;
        sheet.level_m = at.ground_m(centroid(c.outline)) + c.height_m + flush_m;
        sheet.row = row(*c.type);
        sheet.floor = floor.id;
        sheet.ceiling = c.id;
        sheet.plate = c.outline;
        sheet.to_scene = at.to_scene;
        scene_.slabs.push_back(std::move(sheet));
    }
    void add(const Ramp& r) {
        const SceneFloor& at = scene_.floors.back();
        const Point low = foot(r), high = head(r);
        const double run_m = distance(low, high);
        if (run_m < 0.01) return;
        SceneSlab sheet;
        sheet.row = row(r.type);
        sheet.floor = at.floor;
        sheet.ramp = r.id;
        sheet.plate = r.outline;
        sheet.to_scene = at.to_scene;
        const Point from = at.to_scene.apply(low), to = at.to_scene.apply(high);
        sheet.rise = (to - from) * (r.rise_m / (run_m * run_m));
        const double foot_m = at.ground_m(low) + r.foot_m - wall_type(project_, r.type).thickness_m / 2;
        sheet.level_m = foot_m - dot(sheet.rise, from);
        scene_.slabs.push_back(std::move(sheet));
    }
    void add(const Floor& floor, const Obstacle& o) {
        const SceneFloor& at = scene_.floors.back();
        const WallType& type = wall_type(project_, o.type);
        const auto outline = body(o);
        const double ground_m = at.ground_m(centroid(outline));
        ScenePrism prism{{},
                         ground_m + o.base_m,
                         ground_m + o.top_m.value_or(floor.height_m),
                         row(o.type),
                         type.most_db,
                         type.saturates,
                         floor.id,
                         o.id};
        if (prism.top_m <= prism.base_m) return;
        for (Point p : outline) prism.outline.push_back(at.to_scene.apply(p));
        if (signed_area_m2(prism.outline) < 0) std::reverse(prism.outline.begin(), prism.outline.end());
        prism.convex = is_convex(prism.outline);
        scene_.prisms.push_back(std::move(prism));
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
        for (const SlabArea& a : floor.slab->areas) slab.patches.push_back({a.outline, row(a.type)});
        slab.to_scene = at.to_scene;
        scene_.slabs.push_back(std::move(slab));
    }
    void add(const SceneFloor& at, const Floor& floor, const Wall& wall, const Panel& panel) {
        if (wall.bulge(panel.piece) == 0) {
            const Segment piece = wall.piece(panel.piece);
            const Point along = unit(piece.b - piece.a);
            const Point a = piece.a + along * panel.start_m;
            // the piece's own end, not one recomputed, so that neighbouring pieces share it to the last bit
            const Point b = panel.end_m >= length(piece) ? piece.b : piece.a + along * panel.end_m;
            return add(at, floor, wall, panel, {a, b});
        }
        for_each_chord(wall, [&](const Chord& c) {
            if (c.piece != panel.piece || c.end_m <= panel.start_m || c.start_m >= panel.end_m) return;
            const auto place = [&](double along_m) {
                return lerp(c.line.a, c.line.b, (along_m - c.start_m) / (c.end_m - c.start_m));
            };
            add(at, floor, wall, panel,
                {panel.start_m > c.start_m ? place(panel.start_m) : c.line.a,
                 panel.end_m < c.end_m ? place(panel.end_m) : c.line.b});
        });
    }
    /// A straight part of a panel, cut where its ceiling changes.
    void add(const SceneFloor& at, const Floor& floor, const Wall& wall, const Panel& panel,
             const Segment& s) {
        if (!wall.to_ceiling || wall.top_m || floor.ceilings->empty())
            return add(at, wall, panel, s, panel.top_m);
        std::vector<double> cuts{0, 1};
        for (const CeilingArea& c : *floor.ceilings)
            for (std::size_t i = 0; i < c.outline.size(); ++i)
                if (const auto p = crossing(s, {c.outline[i], c.outline[(i + 1) % c.outline.size()]}))
                    cuts.push_back(nearest_parameter(s, *p));
        std::sort(cuts.begin(), cuts.end());
        for (std::size_t i = 1; i < cuts.size(); ++i) {
            if (cuts[i] - cuts[i - 1] < 1e-9) continue;
            const Segment part{cuts[i - 1] <= 0 ? s.a : lerp(s.a, s.b, cuts[i - 1]),
                               cuts[i] >= 1 ? s.b : lerp(s.a, s.b, cuts[i])};
            add(at, wall, panel, part,
                std::min(panel.top_m, ceiling_m(floor, lerp(part.a, part.b, 0.5), panel.top_m)));
        }
    }
    /// Cut again where it rises with the ground.
    void add(const SceneFloor& floor, const Wall& wall, const Panel& panel, const Segment& s, double top_m) {
        if (top_m <= panel.base_m) return;
        const double rise_m = std::abs(floor.ground_m(s.b) - floor.ground_m(s.a));
        const int cuts = std::clamp(static_cast<int>(std::ceil(rise_m / most_rise_m)), 1, 1000);
        Point from = s.a;
        for (int i = 1; i <= cuts; ++i) {
            const Point to = i == cuts ? s.b : lerp(s.a, s.b, static_cast<double>(i) / cuts);
            const double ground_m = floor.ground_m(lerp(from, to, 0.5));
            scene_.panels.push_back({floor.to_scene.apply(from), floor.to_scene.apply(to),
                                     ground_m + panel.base_m, ground_m + top_m, row(panel.type), floor.floor,
                                     wall.id, panel.opening});
            from = to;
        }
    }
    static void add_points(ContentKey& key, const std::vector<Point>& points) {
        key.add(static_cast<int>(points.size()));
        for (Point p : points) key.add(p.x).add(p.y);
    }
    static std::uint64_t key_of(const std::vector<std::vector<AngleLaw>>& laws, const auto& deviations) {
        ContentKey key;
        for (const auto& row : laws)
            for (const AngleLaw& law : row)
                for (const AngleLaw::Row& c : law.c)
                    for (std::size_t i = 0; i < (law.flat ? 1 : static_cast<std::size_t>(law.pieces)); ++i)
                        key.add(double{c[i]});
        for (const auto& row : deviations)
            for (const AngleLaw& law : row) key.add(double{law.c[0][0]});
        return key.value();
    }
    static std::uint64_t key_of(const ScenePanel& p) {
        ContentKey key;
        key.add(p.a.x).add(p.a.y).add(p.b.x).add(p.b.y).add(p.base_m).add(p.top_m).add(p.row);
        return key.value();
    }
    static std::uint64_t key_of(const SceneSlab& s) {
        ContentKey key;
        key.add(s.level_m).add(s.row).add(s.rise.x).add(s.rise.y);
        if (s.extent && s.plate.empty()) key.add(s.extent->key());
        for (Point p : {s.to_scene.apply({0, 0}), s.to_scene.apply({1000, 0})}) key.add(p.x).add(p.y);
        add_points(key, s.plate);
        if (s.limit) add_points(key, {s.limit->low, s.limit->high});
        for (const auto& outline : s.voids) add_points(key, outline);
        for (const SlabPatch& patch : s.patches) {
            key.add(patch.row);
            add_points(key, patch.outline);
        }
        return key.value();
    }
    static std::uint64_t key_of(const ScenePrism& p) {
        ContentKey key;
        key.add(p.base_m).add(p.top_m).add(p.row).add(p.most_db).add(int{p.saturates});
        add_points(key, p.outline);
        return key.value();
    }
    void index_panels() {
        std::vector<Segment> lines;
        lines.reserve(scene_.panels.size());
        for (const ScenePanel& p : scene_.panels) lines.push_back({p.a, p.b});
        scene_.panel_index = SegmentIndex(std::move(lines));
    }
    void set_keys() {
        scene_.laws_key = key_of(scene_.laws, scene_.deviations);
        for (const ScenePanel& p : scene_.panels) scene_.panel_keys.push_back(key_of(p));
        for (const SceneSlab& s : scene_.slabs) scene_.slab_keys.push_back(key_of(s));
        for (const ScenePrism& p : scene_.prisms) scene_.prism_keys.push_back(key_of(p));
        ContentKey key;
        key.add(scene_.laws_key);
        for (const auto* keys : {&scene_.panel_keys, &scene_.slab_keys, &scene_.prism_keys})
            for (std::uint64_t k : *keys) key.add(k);
        scene_.key = key.value();
    }

    const Project& project_;
    SceneCache& cache_;
    Similarity to_frame_;
    Scene scene_;
    std::map<std::vector<int>, int> mixed_;
};

bool passes_wall(const Scene& scene, Point3 from, Point3 to) {
    bool passes = false;
    scene.panel_index.near(box_of({from.flat(), to.flat()}), [&](std::size_t i) {
        const ScenePanel& p = scene.panels[i];
        passes |= from.z >= p.base_m && from.z < p.top_m &&
                  crossing({from.flat(), to.flat()}, {p.a, p.b}).has_value();
    });
    return passes;
}

/// At least 3 cm from a wall, on the side where it is; on the wall's middle line on its left.
Point3 off_walls(const Scene& scene, Point3 at) {
    constexpr double least_m = 0.03 + 0.016;  // and the step that follows
    constexpr double moved_m = 0.3;           // farther than it is carried from wall to wall
    scene.panel_index.near(box_of({at.flat(), at.flat()}).grown(moved_m), [&](std::size_t i) {
        const ScenePanel& panel = scene.panels[i];
        if (at.z < panel.base_m || at.z >= panel.top_m) return;
        if (distance({panel.a, panel.b}, at.flat()) >= least_m) return;
        const Point left = left_of(unit(panel.b - panel.a));
        const double side_m = dot(at.flat() - panel.a, left);
        const Point by = left * ((side_m < 0 ? -least_m : least_m) - side_m);
        at = at + Point3{by.x, by.y, 0};
    });
    return at;
}

}  // namespace

std::optional<double> SceneSlab::share(Point3 source, Point3 receiver) const {
    if (rise == Point{}) return slab_share(level_m, source.z, receiver.z);
    return slab_share(level_m, source.z - dot(rise, source.flat()), receiver.z - dot(rise, receiver.flat()));
}

std::optional<int> SceneSlab::row_at(Point in_scene) const {
    const Point p = to_scene.invert(in_scene);
    if (plate.empty() ? !extent->inside(p) : !contains(plate, p)) return std::nullopt;
    if (limit && plate.empty() && !limit->contains(p)) return std::nullopt;
    if (std::any_of(voids.begin(), voids.end(), [&](const auto& outline) { return contains(outline, p); }))
        return std::nullopt;
    for (auto patch = patches.rbegin(); patch != patches.rend(); ++patch)
        if (contains(patch->outline, p)) return patch->row;
    return row;
}

WallTypeId Scene::type_of(int row, BandId band) const {
    const auto at = static_cast<std::size_t>(row);
    if (at < types.size()) return types[at];
    return types[static_cast<std::size_t>(mixed[at - types.size()][band.index])];
}

const SceneFloor& Scene::floor(FloorId id) const {
    for (const SceneFloor& f : floors)
        if (f.floor == id) return f;
    throw std::logic_error("a floor that the scene does not have");
}

Scene make_scene(const Project& project, SceneCache& cache, BuildingId frame) {
    return Builder(project, cache, frame).build();
}

std::shared_ptr<const SceneCache::Laws> SceneCache::laws(const Shared<std::vector<WallType>>& types) {
    const std::lock_guard lock(mutex_);
    if (laws_ && types == types_) return laws_;
    auto made = std::make_shared<Laws>();
    std::vector<double> frequencies_ghz;
    for (const Band& b : bands()) frequencies_ghz.push_back(b.reference_mhz / 1000);
    for (const WallType& type : *types) {
        made->loss.push_back(angle_laws(type, frequencies_ghz));
        auto& deviation = made->deviation.emplace_back();
        for (double ghz : frequencies_ghz) deviation.push_back(AngleLaw::constant(deviation_db(type, ghz)));
    }
    types_ = types;
    laws_ = made;
    return made;
}

static std::size_t bytes(const Scene& s) {
    // with its key and its place in the index
    constexpr std::size_t panel = sizeof(ScenePanel) + sizeof(std::uint64_t) + sizeof(Segment) + 12;
    std::size_t sum = sizeof(Scene) + s.panels.size() * panel;
    for (const ScenePrism& p : s.prisms) sum += sizeof(ScenePrism) + p.outline.size() * sizeof(Point);
    sum += s.slabs.size() * sizeof(SceneSlab);
    return sum;
}

std::shared_ptr<const Scene> SceneCache::scene(const Project& project, BuildingId frame) {
    constexpr std::size_t kept = 8;
    {
        const std::lock_guard lock(mutex_);
        const auto same = std::ranges::find_if(made_, [&](const Made& m) {
            return m.frame == frame && m.types == project.wall_types && m.buildings == project.buildings;
        });
        if (same != made_.end()) {
            if (auto found = scenes_.find(same->number)) {
                made_.splice(made_.begin(), made_, same);
                return found;
            }
            made_.erase(same);
        }
    }
    auto made = std::make_shared<const Scene>(make_scene(project, *this, frame));
    const std::lock_guard lock(mutex_);
    made_.push_front({project.buildings, project.wall_types, frame, ++numbers_});
    scenes_.keep(numbers_, made, bytes(*made));
    if (made_.size() > kept) {
        scenes_.forget(made_.back().number);
        made_.pop_back();
    }
    return made;
}

Point3 antenna_place(const Scene& scene, const Floor& floor, const AccessPoint& ap) {
    const SceneFloor& at = scene.floor(floor.id);
    const Point p = at.to_scene.apply(ap.position);
    return {p.x, p.y, at.ground_m(ap.position) + ap.height_m};
}

double azimuth_deg(const Scene& scene, const Floor& floor, const AccessPoint& ap) {
    return ap.azimuth_deg - scene.floor(floor.id).turn_deg;
}

Point3 engine_source(const Scene& scene, Point3 at) {
    constexpr Point step{0.0137, 0.0071};
    const Point3 source = off_walls(scene, at);
    for (Point by : {step, step * -1.0, left_of(step), left_of(step) * -1.0}) {
        const Point3 moved = source + Point3{by.x, by.y, 0};
        if (!passes_wall(scene, source, moved)) return moved;
    }
    return source + Point3{step.x, step.y, 0};
}

}  // namespace yemvo
