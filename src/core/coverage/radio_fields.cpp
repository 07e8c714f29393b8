// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/radio_fields.h"

#include <tbb/parallel_for.h>

#include <atomic>

#include "propagation/explain.h"
#include "wireless/link_budget.h"

namespace yemvo {
namespace {

/// The radios of one access point that are on: they share the traced obstruction.
class AccessPointFields {
public:
    AccessPointFields(const Project& project, const RadioPlace& place, const PlacedAccessPoint& placed,
                      FieldStore& store, const RadioWish& wish)
        : project_(project),
          place_(place),
          ap_(*placed.access_point),
          model_(model(project, ap_.model)),
          azimuth_deg_(azimuth_deg(*place.scene, *placed.floor, ap_)),
          store_(store),
          wish_(wish) {}

    bool is_settled() const { return place_.silent.has_value(); }
    void settle(const CancelToken& cancel) { store_.settle(place_, cancel); }
    bool is_silent() const { return place_.silent == true; }
    void add_to(ContentKey& key) const {
        key.add(std::uint64_t{ap_.id.value}).add(ap_.number).add(std::uint64_t{ap_.model.value});
        for (std::size_t r = 0; r < ap_.radios.size(); ++r) {
            if (!ap_.radios[r].on) continue;
            const Channel& channel = ap_.radios[r].channel;
            key.add(store_.key(place_, can(r).antenna, turn(r), channel.band, wish_.overlay))
                .add(static_cast<std::uint64_t>(r))
                .add(channel.number)
                .add(channel.width_mhz)
                .add(ap_.radios[r].power_dbm)
                .add(client_noise_dbm(project_, channel));
        }
    }
    /// From what is kept; false where something has to be worked out.
    bool find(std::vector<RadioField>& fields) const {
        if (wish_.deviation) return false;
        for (std::size_t r = 0; r < ap_.radios.size(); ++r) {
            if (!ap_.radios[r].on) continue;
            auto field =
                store_.kept_field(place_, can(r).antenna, turn(r), ap_.radios[r].channel.band, wish_.overlay);
            if (!field) {
                fields.clear();
                return false;
            }
            fields.push_back(describe(r, std::move(field)));
        }
        return true;
    }
    std::vector<RadioField> make(const CancelToken& cancel) const {
        std::vector<RadioField> fields;
        for (std::size_t r = 0; r < ap_.radios.size(); ++r) {
            if (!ap_.radios[r].on) continue;
            cancel.check();
            const BandId band = ap_.radios[r].channel.band;
            fields.push_back(
                describe(r, store_.field(place_, can(r).antenna, turn(r), band, cancel, wish_.overlay)));
            if (wish_.deviation && !fields.back().field->silent)
                fields.back().deviation = store_.deviation(place_, cancel);
        }
        return fields;
    }

private:
    const RadioBand& can(std::size_t radio) const {
        return *radio_band(model_, radio, ap_.radios[radio].channel.band);
    }
    Turn turn(std::size_t radio) const {
        return body_turn(can(radio).antenna.frame(), ap_.mount, azimuth_deg_, ap_.downtilt_deg);
    }
    RadioField describe(std::size_t number, std::shared_ptr<const GainField> field) const {
        const Radio& radio = ap_.radios[number];
        const BandId id = radio.channel.band;
        const double shift_db = frequency_shift_db(band(id).reference_mhz, centre_mhz(radio.channel));
        return {ap_.id,
                ap_.number,
                number,
                ap_.model,
                id,
                radio.channel,
                radio.power_dbm,
                centi_db(radio.power_dbm - shift_db),
                centi_db(client_noise_dbm(project_, radio.channel)),
                std::move(field),
                nullptr};
    }

    const Project& project_;
    RadioPlace place_;
    const AccessPoint& ap_;
    const AccessPointModel& model_;
    double azimuth_deg_;
    FieldStore& store_;
    RadioWish wish_;
};

}  // namespace

std::uint64_t reach_key(const Project& project, const std::shared_ptr<const Scene>& scene,
                        const Surface& surface, FieldStore& store, const RadioWish& wish,
                        const CancelToken& cancel) {
    std::vector<AccessPointFields> all;
    std::vector<std::size_t> unsettled;
    for (const PlacedAccessPoint& placed : placed_access_points(project)) {
        const Point3 source = antenna_place(*scene, *placed.floor, *placed.access_point);
        all.emplace_back(project, store.place(scene, surface, source), placed, store, wish);
        if (!all.back().is_settled()) unsettled.push_back(all.size() - 1);
    }
    tbb::parallel_for(std::size_t{0}, unsettled.size(),
                      [&](std::size_t i) { all[unsettled[i]].settle(cancel); });
    ContentKey key;
    key.add(surface.key()).add(int{wish.deviation});
    for (const AccessPointFields& of : all)
        if (!of.is_silent()) of.add_to(key);
    return key.value();
}

std::vector<RadioField> radio_fields(const Project& project, const std::shared_ptr<const Scene>& scene,
                                     const Surface& surface, FieldStore& store, const RadioWish& wish,
                                     const CancelToken& cancel,
                                     const std::function<void(double)>& share_done) {
    const auto placed = placed_access_points(project);
    std::vector<std::vector<RadioField>> made(placed.size());
    std::vector<std::pair<std::size_t, AccessPointFields>> missing;
    for (std::size_t i = 0; i < placed.size(); ++i) {
        const Point3 source = antenna_place(*scene, *placed[i].floor, *placed[i].access_point);
        AccessPointFields of(project, store.place(scene, surface, source), placed[i], store, wish);
        if (!of.find(made[i])) missing.emplace_back(i, std::move(of));
    }
    std::atomic<std::size_t> finished = made.size() - missing.size();
    const auto work_out = [&](std::size_t k) {
        const auto& [i, of] = missing[k];
        made[i] = of.make(cancel);
        if (share_done) share_done(static_cast<double>(++finished) / static_cast<double>(made.size()));
    };
    // to wake the other cores for one access point takes longer than it saves
    if (missing.size() == 1)
        work_out(0);
    else
        tbb::parallel_for(std::size_t{0}, missing.size(), work_out);
    std::vector<RadioField> fields;
    for (auto& part : made) std::move(part.begin(), part.end(), std::back_inserter(fields));
    return fields;
}

}  // namespace yemvo
