#include "propagation/field_store.h"

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

}  // namespace

FieldStore::FieldStore(std::size_t budget_bytes)
    : obstructions_(budget_bytes / 2),
      directions_(std::size_t{96} << 20),
      fields_(budget_bytes / 2),
      masks_(std::size_t{64} << 20) {}

std::shared_ptr<const Obstruction> FieldStore::obstruction(const Scene& scene, const Surface& surface,
                                                           Point3 source, std::uint64_t key,
                                                           const CancelToken& cancel) {
    if (auto kept = obstructions_.find(key)) return kept;
    auto made = std::make_shared<const Obstruction>(cast_shadows(scene, surface, source, cancel));
    ++traced_;
    obstructions_.keep(key, made, surface.cells() * band_count() * sizeof(float));
    return made;
}

std::shared_ptr<const Directions> FieldStore::directions(const Surface& surface, Point3 source,
                                                         const Turn& turn) {
    ContentKey key;
    key.add(surface.key()).add(source.x).add(source.y).add(source.z);
    key.add(turn.azimuth_deg).add(turn.downtilt_deg).add(turn.roll_deg);
    if (auto kept = directions_.find(key.value())) return kept;
    auto made = std::make_shared<const Directions>(make_directions(surface, source, turn));
    directions_.keep(key.value(), made, surface.cells() * (sizeof(LocalDirection) + sizeof(float)));
    return made;
}

std::shared_ptr<const GainField> FieldStore::field(const Scene& scene, const Surface& surface, Point3 source,
                                                   const Antenna& antenna, const Turn& turn, BandId id,
                                                   const CancelToken& cancel) {
    ContentKey key;
    key.add(scene.key).add(surface.key()).add(source.x).add(source.y).add(source.z);
    const std::uint64_t traced_key = key.value();
    key.add(antenna.gain_dbi)
        .add(turn.azimuth_deg)
        .add(turn.downtilt_deg)
        .add(turn.roll_deg)
        .add(int{id.index});
    std::visit(KeyOfLobe{key}, antenna.lobe);
    if (auto kept = fields_.find(key.value())) return kept;
    const auto traced = obstruction(scene, surface, source, traced_key, cancel);
    GainField computed =
        make_gain_field(*directions(surface, source, turn), antenna, id, traced->by_band[id.index]);
    computed.key = key.value();
    auto made = std::make_shared<const GainField>(std::move(computed));
    fields_.keep(key.value(), made, surface.cells() * sizeof(std::int16_t));
    return made;
}

}  // namespace yemvo
