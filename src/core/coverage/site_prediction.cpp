// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/site_prediction.h"

#include <algorithm>
#include <map>

#include "cabling/cable_reach.h"
#include "coverage/each.h"

namespace yemvo {
namespace {

void add_outline(ContentKey& key, const std::vector<Point>& outline) {
    key.add(static_cast<int>(outline.size()));
    for (Point p : outline) key.add(p.x).add(p.y);
}

/// Index + 1 of the last zone of a kind that contains the place, 0 for none.
std::uint16_t zone_at(const std::vector<Zone>& zones, Point p, bool (*wanted)(ZoneKind)) {
    for (std::size_t z = zones.size(); z-- > 0;)
        if (wanted(zones[z].kind) && contains(zones[z].outline, p)) return static_cast<std::uint16_t>(z + 1);
    return 0;
}

/// Whether something says where the floor's inside is: its plate, or walls that close round it.
bool is_bounded(const SceneFloor& at, const Floor& floor) {
    return !floor.plate.empty() || (at.kind == BuildingKind::building && at.mask->enclosed());
}

/// Inside the floor: on its plate or between its walls; in a yard, not inside a building.
class Inside {
public:
    Inside(const Scene& scene, const Floor& floor) : floor_(floor), at_(scene.floor(floor.id)) {
        if (at_.kind == BuildingKind::yard)
            for (const SceneFloor& other : scene.floors)
                if (other.kind == BuildingKind::building && other.mask->enclosed()) others_.push_back(&other);
    }
    bool operator()(Point p, double height_m) const {
        if (!floor_.plate.empty() && (!contains(floor_.plate, p) || is_open_air(p))) return false;
        if (at_.kind == BuildingKind::building && floor_.plate.empty()) return at_.mask->inside(p);
        return std::none_of(others_.begin(), others_.end(), [&](const SceneFloor* other) {
            return height_m >= other->level_m && height_m < other->top_m &&
                   other->mask->inside(other->to_scene.invert(p));
        });
    }

private:
    bool is_open_air(Point p) const {
        return at_.kind == BuildingKind::building &&
               std::any_of(courtyards_.begin(), courtyards_.end(),
                           [&](const auto& o) { return contains(o, p); });
    }
    const Floor& floor_;
    const SceneFloor& at_;
    std::vector<std::vector<Point>> courtyards_ = open_air(floor_);
    std::vector<const SceneFloor*> others_;
};

CellMask make_mask(const Scene& scene, const Surface& surface, const Floor& floor) {
    const Inside is_inside(scene, floor);
    const auto served = [](ZoneKind k) { return k == ZoneKind::served || k == ZoneKind::keep_out; };
    const auto excluded = [](ZoneKind k) { return k == ZoneKind::not_needed || k == ZoneKind::outside; };
    const auto& zones = *floor.zones;
    // where neither walls nor a plate nor a zone say so, nobody knows where service is needed: no place is
    // judged
    const bool all = is_bounded(scene.floor(floor.id), floor) &&
                     std::none_of(zones.begin(), zones.end(), [&](const Zone& z) { return served(z.kind); });
    CellMask mask;
    mask.inside.assign(surface.cells(), 0);
    mask.shown.assign(surface.cells(), 0);
    mask.demanded.assign(surface.cells(), 0);
    mask.zone.assign(surface.cells(), 0);
    for (std::size_t i = 0; i < surface.cells(); ++i) {
        const Point p = surface.centre(i);
        const bool in_void = std::any_of(floor.slab->voids.begin(), floor.slab->voids.end(),
                                         [&](const SlabVoid& v) { return contains(v.outline, p); });
        if (in_void || !is_inside(p, surface.height_m(p))) continue;
        mask.inside[i] = 1;
        mask.zone[i] = zone_at(zones, p, excluded);
        if (mask.zone[i]) continue;
        mask.shown[i] = 1;
        mask.zone[i] = zone_at(zones, p, served);
        mask.demanded[i] = all || mask.zone[i] != 0;
    }
    return mask;
}

/// What lies outside of every building: the property's surroundings as the floor's clients would hear the
/// plan.
CellMask make_outside_mask(const Scene& scene, const Surface& surface) {
    CellMask mask;
    mask.inside.assign(surface.cells(), 0);
    mask.zone.assign(surface.cells(), 0);
    for (std::size_t i = 0; i < surface.cells(); ++i) {
        const Point p = surface.centre(i);
        mask.inside[i] = std::none_of(scene.floors.begin(), scene.floors.end(), [&](const SceneFloor& f) {
            return f.kind == BuildingKind::building && f.mask->enclosed() &&
                   f.mask->inside(f.to_scene.invert(p));
        });
    }
    mask.shown = mask.demanded = mask.inside;
    return mask;
}

std::vector<std::uint8_t> bands_in_use(const std::vector<RadioField>& fields) {
    std::vector<std::uint8_t> used(band_count(), 0);
    for (const RadioField& f : fields) used[f.band.index] = 1;
    return used;
}

std::vector<std::uint64_t> band_keys(const std::vector<RadioField>& fields, const Surface& surface) {
    std::vector<ContentKey> keys(band_count(), ContentKey().add(surface.key()));
    for (std::size_t k = 0; k < fields.size(); ++k) {
        const RadioField& f = fields[k];
        if (f.field->silent) continue;
        keys[f.band.index]
            .add(static_cast<std::uint64_t>(k))
            .add(f.field->key)
            .add(static_cast<std::uint64_t>(f.access_point.value))
            .add(f.number)
            .add(static_cast<std::uint64_t>(f.radio))
            .add(f.ability.standard ? static_cast<int>(*f.ability.standard) : -1)
            .add(f.ability.streams)
            .add(f.noise_figure_db)
            .add(f.channel.number)
            .add(f.channel.width_mhz)
            .add(int{f.channel_open})
            .add(f.power_dbm)
            .add(f.offset_cdb)
            .add(f.noise_cdbm)
            .add(int{f.deviation != nullptr});
    }
    std::vector<std::uint64_t> values;
    for (const ContentKey& key : keys) values.push_back(key.value());
    return values;
}

}  // namespace

const FloorPrediction* SitePrediction::find(FloorId id) const {
    for (const FloorPrediction& f : floors)
        if (f.floor == id) return &f;
    return nullptr;
}

static std::uint64_t mask_key(const Scene& scene, const Surface& surface, const Floor& floor, bool outside) {
    ContentKey key;
    key.add(surface.key()).add(int{outside});
    key.add(scene.mask(floor.id).key()).add(int{is_bounded(scene.floor(floor.id), floor)});
    for (const Zone& z : *floor.zones) {
        key.add(static_cast<int>(z.kind)).add(int{z.open_air});
        add_outline(key, z.outline);
    }
    for (const SlabVoid& v : floor.slab->voids) add_outline(key.add(-1), v.outline);
    add_outline(key, floor.plate);
    if (outside || scene.floor(floor.id).kind == BuildingKind::yard) key.add(scene.key);
    return key.value();
}

std::shared_ptr<const CellMask> Predictor::mask(const Scene& scene, const Surface& surface,
                                                const Floor& floor, bool outside) {
    const std::uint64_t key = mask_key(scene, surface, floor, outside);
    if (auto kept = masks_.find(key)) return kept;
    auto made = std::make_shared<CellMask>(outside ? make_outside_mask(scene, surface)
                                                   : make_mask(scene, surface, floor));
    made->key = key;
    masks_.keep(key, made, surface.cells() * 5);
    return made;
}

std::shared_ptr<const NeighbourField> Predictor::neighbours(const Neighbours& heard, const Project& project,
                                                            FloorId floor, const Surface& surface) {
    static const auto none = std::make_shared<const NeighbourField>();
    const double heard_dbm = project.settings.heard_dbm;
    const std::uint64_t key = neighbour_field_key(heard, floor, surface, heard_dbm);
    if (key == 0) return none;
    if (auto kept = neighbours_.find(key)) return kept;
    auto made = std::make_shared<const NeighbourField>(neighbour_field(heard, floor, surface, heard_dbm));
    neighbours_.keep(key, made, made->bytes());
    return made;
}

std::shared_ptr<const CableLengths> Predictor::cables(const Project& project, const Surface& surface,
                                                      const CancelToken& cancel) {
    if (!cable_reach_ || !cable_reach_->holds_for(project)) {
        cable_reach_ = std::make_unique<const CableReach>(project, cancel);
        ++cable_reaches_;
    }
    const std::uint64_t key = ContentKey().add(cable_reaches_).add(surface.key()).value();
    if (auto kept = cable_lengths_.find(key)) return kept;
    auto made = std::make_shared<const CableLengths>(CableLengths{key, cable_reach_->links_m(surface)});
    cable_lengths_.keep(key, made, surface.cells() * sizeof(float));
    return made;
}

Predictor::Predictor(const std::shared_ptr<MemoryBudget>& budget, std::shared_ptr<SceneCache> scenes,
                     std::shared_ptr<FieldTier> tier)
    : budget_(budget),
      store_(budget, std::move(scenes), std::move(tier)),
      masks_(budget),
      neighbours_(budget),
      cable_lengths_(budget),
      reductions_(budget),
      memo_(std::make_shared<FloorMemo>(budget)) {}

Predictor::~Predictor() = default;

std::uint64_t Predictor::floor_key(const Project& project, FloorId id, const PredictionWish& wish,
                                   const CancelToken& cancel) {
    const Floor& floor = *find_floor(project, id);
    const auto scene = store_.scenes()->scene(project, building_with(project, id).id);
    const Surface surface =
        make_surface(project, *scene, floor, wish.cell_m.value_or(project.settings.grid_m), wish.beyond_m);
    return ContentKey()
        .add(mask_key(*scene, surface, floor, wish.beyond_m > 0))
        .add(reach_key(project, scene, surface, store_, {wish.deviation, wish.overlay.get()}, cancel))
        .add(neighbours_of(project)->key)
        .add(wish.cables ? cables(project, surface, cancel)->key : 0)
        .value();
}

SitePrediction Predictor::predict(const Project& project, std::vector<FloorId> order,
                                  const PredictionWish& wish, const CancelToken& cancel,
                                  const std::function<void(const FloorPrediction&)>& done) {
    if (order.empty())
        for (const Floor* floor : all_floors(project)) order.push_back(floor->id);
    SitePrediction site;
    const auto heard = neighbours_of(project);
    std::size_t floors_done = 0;
    for (FloorId id : order) {
        const auto share_done = [&, before = floors_done](double of_floor) {
            if (wish.progress)
                wish.progress((static_cast<double>(before) + of_floor) / static_cast<double>(order.size()));
        };
        ++floors_done;
        cancel.check();
        const Floor* floor = find_floor(project, id);
        if (!floor) continue;
        const BuildingId frame = building_with(project, id).id;
        const std::shared_ptr<const Scene> kept = store_.scenes()->scene(project, frame);
        const Scene& scene = *kept;
        FloorPrediction p;
        p.floor = id;
        p.scene = kept;
        p.surface = make_surface(project, scene, *floor, wish.cell_m.value_or(project.settings.grid_m),
                                 wish.beyond_m);
        p.mask = mask(scene, p.surface, *floor, wish.beyond_m > 0);
        p.radios = std::make_shared<const std::vector<RadioField>>(radio_fields(
            project, kept, p.surface, store_, {wish.deviation, wish.overlay.get()}, cancel, share_done));
        const auto& fields = *p.radios;
        p.band_in_use = bands_in_use(fields);
        p.by_band.resize(band_count());
        const auto reduce_band = [&](std::size_t b) {
            p.by_band[b] = reductions_.of(fields, bands()[b].id, p.surface);
        };
        each(band_count(), p.surface.cells() * fields.size() > worth_waking, reduce_band);
        p.band_keys = band_keys(fields, p.surface);
        p.neighbours = this->neighbours(*heard, project, id, p.surface);
        if (wish.cables) p.cables = cables(project, p.surface, cancel);
        p.memo = memo_;
        site.floors.push_back(p);
        if (done) done(site.floors.back());
    }
    return site;
}

}  // namespace yemvo
