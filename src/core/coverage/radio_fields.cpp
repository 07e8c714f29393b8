#include "coverage/radio_fields.h"

#include <tbb/parallel_for.h>

#include <atomic>

#include "propagation/explain.h"
#include "wireless/link_budget.h"

namespace yemvo {
namespace {

struct Job {
    PlacedAccessPoint placed;
    std::size_t radio;
};

RadioField make(const Project& project, const std::shared_ptr<const Scene>& scene, const Surface& surface,
                const Job& job, FieldStore& store, bool with_deviation, const CancelToken& cancel) {
    const AccessPoint& ap = *job.placed.access_point;
    const Radio& radio = ap.radios[job.radio];
    const BandId id = radio.channel.band;
    const RadioBand& can = *radio_band(model(project, ap.model), job.radio, id);
    const Turn turn =
        body_turn(can.antenna.frame(), ap.mount, azimuth_deg(*scene, *job.placed.floor, ap), ap.downtilt_deg);
    const double shift_db = frequency_shift_db(band(id).reference_mhz, centre_mhz(radio.channel));
    const Point3 at = antenna_place(*scene, *job.placed.floor, ap);
    RadioField out{ap.id,
                   ap.number,
                   job.radio,
                   ap.model,
                   id,
                   radio.channel,
                   radio.power_dbm,
                   centi_db(radio.power_dbm - shift_db),
                   centi_db(client_noise_dbm(project, radio.channel)),
                   store.field(scene, surface, at, can.antenna, turn, id, cancel),
                   nullptr};
    if (with_deviation && !out.field->silent) out.deviation = store.deviation(*scene, surface, at, cancel);
    return out;
}

}  // namespace

std::vector<RadioField> radio_fields(const Project& project, const std::shared_ptr<const Scene>& scene,
                                     const Surface& surface, FieldStore& store, bool with_deviation,
                                     const CancelToken& cancel,
                                     const std::function<void(double)>& share_done) {
    std::vector<std::vector<Job>> by_access_point;
    std::size_t count = 0;
    for (const PlacedAccessPoint& placed : placed_access_points(project)) {
        std::vector<Job> jobs;
        for (std::size_t r = 0; r < placed.access_point->radios.size(); ++r)
            if (placed.access_point->radios[r].on) jobs.push_back({placed, r});
        count += jobs.size();
        by_access_point.push_back(std::move(jobs));
    }
    // one task an access point: its radios share the traced obstruction
    std::vector<std::vector<RadioField>> made(by_access_point.size());
    std::atomic<std::size_t> finished = 0;
    tbb::parallel_for(std::size_t{0}, made.size(), [&](std::size_t i) {
        for (const Job& job : by_access_point[i]) {
            cancel.check();
            made[i].push_back(make(project, scene, surface, job, store, with_deviation, cancel));
        }
        if (share_done) share_done(static_cast<double>(++finished) / static_cast<double>(made.size()));
    });
    std::vector<RadioField> fields;
    fields.reserve(count);
    for (auto& part : made) std::move(part.begin(), part.end(), std::back_inserter(fields));
    return fields;
}

}  // namespace yemvo
