#include "propagation/field_store.h"

#include <algorithm>
#include <mutex>
#include <unordered_map>

#include "propagation/ray_heights.h"

namespace yemvo {
namespace {

struct KeyOfLobe {
    ContentKey& key;
    void operator()(const DomeLobe& l) const { key.add(1).add(l.beamwidth_deg).add(l.floor_db); }
    void operator()(const SectorLobe& l) const {
        key.add(2)
            .add(l.horizontal_deg)
            .add(l.vertical_deg)
            .add(l.tilt_deg)
            .add(l.front_back_db)
            .add(l.side_limit_db);
    }
    void operator()(const PatchLobe& l) const { key.add(3).add(l.exponent).add(l.floor_db); }
    void operator()(const DipoleLobe&) const { key.add(4); }
};

std::uint64_t place_key(const Surface& surface, Point3 source) {
    return ContentKey().add(surface.key()).add(source.x).add(source.y).add(source.z).value();
}

/// Slabs and solids that such a link can meet, and what all types take.
std::uint64_t other_key(const Scene& scene, const RayHeights& h) {
    ContentKey key;
    key.add(scene.laws_key);
    for (std::size_t i = 0; i < scene.slabs.size(); ++i)
        if (scene.slabs[i].ramp || h.meets(scene.slabs[i].level_m, scene.slabs[i].level_m + 1e-9))
            key.add(scene.slab_keys[i]);
    for (std::size_t i = 0; i < scene.prisms.size(); ++i)
        if (h.meets(scene.prisms[i].base_m, scene.prisms[i].top_m)) key.add(scene.prism_keys[i]);
    return key.value();
}

/// Of everything that a link between a source and a surface can meet.
std::uint64_t traced_key(const Scene& scene, const Surface& surface, Point3 source) {
    const RayHeights h = ray_heights(surface, source);
    std::uint64_t panels = 0;
    for (std::size_t i = 0; i < scene.panels.size(); ++i)
        if (h.meets(scene.panels[i].base_m, scene.panels[i].top_m)) panels += scene.panel_keys[i];
    return ContentKey().add(place_key(surface, source)).add(other_key(scene, h)).add(panels).value();
}

std::vector<std::pair<std::uint64_t, std::size_t>> sorted_keys(const Scene& scene) {
    std::vector<std::pair<std::uint64_t, std::size_t>> keys;
    for (std::size_t i = 0; i < scene.panel_keys.size(); ++i) keys.emplace_back(scene.panel_keys[i], i);
    std::sort(keys.begin(), keys.end());
    return keys;
}

}  // namespace

FieldStore::FieldStore(std::size_t budget_bytes)
    : obstructions_(budget_bytes / 2),
      deviations_(budget_bytes / 8),
      fields_(budget_bytes / 2),
      scenes_(std::size_t{64} << 20) {}

std::shared_ptr<const FieldStore::Changed> FieldStore::changed(const std::shared_ptr<const Scene>& from,
                                                               const std::shared_ptr<const Scene>& to) {
    {
        const std::lock_guard lock(mutex_);
        if (changed_ && changed_->from == from && changed_->to == to) return changed_;
    }
    auto made = std::make_shared<Changed>();
    made->from = from;
    made->to = to;
    const auto old_keys = sorted_keys(*from), new_keys = sorted_keys(*to);
    auto a = old_keys.begin(), b = new_keys.begin();
    while (a != old_keys.end() || b != new_keys.end()) {
        if (b == new_keys.end() || (a != old_keys.end() && a->first < b->first))
            made->removed.push_back(from->panels[(a++)->second]);
        else if (a == old_keys.end() || b->first < a->first)
            made->added.push_back(to->panels[(b++)->second]);
        else
            ++a, ++b;
    }
    const std::lock_guard lock(mutex_);
    changed_ = made;
    return made;
}

/// What was traced before, when none of the changed panels' shadows reaches a cell that counts: new ones none
/// that is within the limit, old ones none at all.
std::shared_ptr<const Obstruction> FieldStore::untouched(const std::shared_ptr<const Scene>& scene,
                                                         const Surface& surface, Point3 source,
                                                         const Last& last) {
    const auto kept = last.obstruction.lock();
    if (!kept || !last.scene) return nullptr;
    const RayHeights h = ray_heights(surface, source);
    if (other_key(*last.scene, h) != other_key(*scene, h)) return nullptr;
    constexpr std::size_t many = 64;
    const auto change = changed(last.scene, scene);
    if (change->removed.size() + change->added.size() > many) return nullptr;
    const Point3 from = engine_source(*scene, source);
    if (!(from == engine_source(*last.scene, source))) return nullptr;
    for (const ScenePanel& panel : change->removed)
        if (can_touch(surface, from, panel, nullptr)) return nullptr;
    for (const ScenePanel& panel : change->added)
        if (can_touch(surface, from, panel, kept.get())) return nullptr;
    return kept;
}

std::shared_ptr<const Obstruction> FieldStore::obstruction(const std::shared_ptr<const Scene>& scene,
                                                           const Surface& surface, Point3 source,
                                                           std::uint64_t key, const CancelToken& cancel) {
    auto made = obstructions_.find(key);
    if (made) return made;
    const std::uint64_t place = place_key(surface, source);
    Last last;
    {
        const std::lock_guard lock(mutex_);
        if (const auto found = last_.find(place); found != last_.end()) last = found->second;
    }
    made = untouched(scene, surface, source, last);
    if (!made) {
        made = std::make_shared<const Obstruction>(cast_shadows(*scene, surface, source, cancel));
        ++traced_;
    }
    obstructions_.keep(key, made, made->bytes());
    constexpr std::size_t most_places = 20000;
    const std::lock_guard lock(mutex_);
    if (last_.size() > most_places) last_.clear();
    last_[place] = {scene, made};
    return made;
}

std::shared_ptr<const std::vector<TilePlane>> FieldStore::deviation(const Scene& scene,
                                                                    const Surface& surface, Point3 source,
                                                                    const CancelToken& cancel) {
    const std::uint64_t key = traced_key(scene, surface, source);
    if (auto kept = deviations_.find(key)) return kept;
    auto made =
        std::make_shared<const std::vector<TilePlane>>(cast_deviation(scene, surface, source, cancel));
    deviations_.keep(key, made, made->size() * made->front().bytes());
    return made;
}

std::shared_ptr<const GainField> FieldStore::field(const std::shared_ptr<const Scene>& scene,
                                                   const Surface& surface, Point3 source,
                                                   const Antenna& antenna, const Turn& turn, BandId id,
                                                   const CancelToken& cancel) {
    const std::uint64_t traced = traced_key(*scene, surface, source);
    ContentKey key;
    key.add(traced)
        .add(antenna.gain_dbi)
        .add(turn.azimuth_deg)
        .add(turn.downtilt_deg)
        .add(turn.roll_deg)
        .add(int{id.index});
    std::visit(KeyOfLobe{key}, antenna.lobe);
    if (auto kept = fields_.find(key.value())) return kept;
    GainField computed = make_gain_field(surface, source, turn, antenna, id,
                                         *obstruction(scene, surface, source, traced, cancel));
    computed.key = key.value();
    auto made = std::make_shared<const GainField>(std::move(computed));
    fields_.keep(key.value(), made, 64 + made->gain_cdb.size() * sizeof(std::int16_t));
    return made;
}

}  // namespace yemvo
