// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/radio_fields.h"

#include <tbb/parallel_for.h>

#include <atomic>

#include "project/working_radio.h"
#include "propagation/explain.h"
#include "wireless/link_budget.h"

namespace yemvo {
namespace {

/// Of what rates follow from.
std::uint64_t key_of(const WorkingRadio& working) {
    const auto standard = working.standard();
    return ContentKey()
        .add(standard ? static_cast<int>(*standard) : -1)
        .add(working.chains.streams)
        .add(working.can->noise_figure_db)
        .value();
}

/// The radios of one access point that are on: they share the traced obstruction.
class AccessPointFields {
public:
    AccessPointFields(const Project& project, const RadioPlace& place, const PlacedAccessPoint& placed,
                      FieldStore& store, const RadioWish& wish)
        : project_(project),
          place_(place),
          ap_(*placed.access_point),
          azimuth_deg_(azimuth_deg(*place.scene, *placed.floor, ap_)),
          store_(store),
          wish_(wish) {
        for (std::size_t r = 0; r < ap_.radios.size(); ++r)
            if (WorkingRadio working = working_radio(project, ap_, r); working.on)
                radios_.emplace_back(r, std::move(working));
    }

    bool is_settled() const { return place_.silent.has_value(); }
    void settle(const CancelToken& cancel) { store_.settle(place_, cancel); }
    bool is_silent() const { return place_.silent == true; }
    void add_to(ContentKey& key) const {
        key.add(std::uint64_t{ap_.id.value}).add(ap_.number);
        for (const auto& [r, working] : radios_) {
            const Channel& channel = ap_.radios[r].channel;
            key.add(store_.key(place_, working.antenna, turn(working), channel.band, wish_.overlay))
                .add(static_cast<std::uint64_t>(r))
                .add(channel.number)
                .add(channel.width_mhz)
                .add(int{ap_.radios[r].channel_open})
                .add(working.power_dbm)
                .add(working.cable_loss_db)
                .add(key_of(working))
                .add(client_noise_dbm(project_, channel));
        }
    }
    /// From what is kept; false where something has to be worked out.
    bool find(std::vector<RadioField>& fields) const {
        if (wish_.deviation) return false;
        for (const auto& [r, working] : radios_) {
            auto field = store_.kept_field(place_, working.antenna, turn(working), ap_.radios[r].channel.band,
                                           wish_.overlay);
            if (!field) {
                fields.clear();
                return false;
            }
            fields.push_back(describe(r, working, std::move(field)));
        }
        return true;
    }
    std::vector<RadioField> make(const CancelToken& cancel) const {
        std::vector<RadioField> fields;
        for (const auto& [r, working] : radios_) {
            cancel.check();
            const BandId band = ap_.radios[r].channel.band;
            fields.push_back(
                describe(r, working,
                         store_.field(place_, working.antenna, turn(working), band, cancel, wish_.overlay)));
            if (wish_.deviation && !fields.back().field->silent)
                fields.back().deviation = store_.deviation(place_, cancel);
        }
        return fields;
    }

private:
    Turn turn(const WorkingRadio& working) const {
        return body_turn(working.antenna.frame(), ap_.mount, azimuth_deg_, ap_.downtilt_deg);
    }
    RadioField describe(std::size_t number, const WorkingRadio& working,
                        std::shared_ptr<const GainField> field) const {
        const Channel& channel = ap_.radios[number].channel;
        const double shift_db = frequency_shift_db(band(channel.band).reference_mhz, centre_mhz(channel));
        return {ap_.id,
                ap_.number,
                number,
                {working.standard(), channel.band, working.chains.streams},
                working.can->noise_figure_db,
                channel.band,
                channel,
                working.power_dbm,
                centi_db(working.power_dbm - working.cable_loss_db - shift_db),
                centi_db(client_noise_dbm(project_, channel)),
                std::move(field),
                nullptr,
                ap_.radios[number].channel_open};
    }

    const Project& project_;
    RadioPlace place_;
    const AccessPoint& ap_;
    std::vector<std::pair<std::size_t, WorkingRadio>> radios_;  ///< that are on, with their index
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
