#include "coverage/lens_map.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <optional>

#include "coverage/lens_kernels.h"
#include "wireless/link_budget.h"
#include "wireless/spectrum.h"

namespace yemvo {
namespace {

using Plane = std::vector<float>;
constexpr float no_value = std::numeric_limits<float>::quiet_NaN();

/// A value by server, for the kernels: nobody's first.
class ByServer {
public:
    template <class Value>
    ByServer(const std::vector<RadioField>& radios, float nobody, const Value& value) : values_{nobody} {
        values_.reserve(radios.size() + 1);
        for (const RadioField& f : radios) values_.push_back(static_cast<float>(value(f)));
    }
    const float* data() const { return values_.data(); }

private:
    std::vector<float> values_;
};

/// One lens over one set of bands.
class Painter {
public:
    Painter(const FloorPrediction& floor, const LensChoice& choice)
        : floor_(floor), choice_(choice), radios_(*floor.radios), cells_(floor.surface.cells()) {}

    void joint(BandSet bands, Plane& out) {
        take(bands);
        out.resize(cells_);
        switch (choice_.lens) {
            case LensId::next_best:
                return decibels(reduction_->next_cdbm, out);
            case LensId::failure:
                return decibels(left_after_failure(bands), out);
            case LensId::third:
                return decibels(reduction_->third_cdbm, out);
            case LensId::snr:
                return above_noise(out);
            case LensId::serving:
                return of_serving([](const RadioField& f) { return f.number; }, out);
            case LensId::serving_band:
                return of_serving([](const RadioField& f) { return f.band.index; }, out);
            case LensId::failure_loss:
                return failure_loss(left_after_failure(bands), out);
            case LensId::balance:
                return of_serving([&](const RadioField& f) { return f.power_dbm - choice_.client.power_dbm; },
                                  out);
            case LensId::rate_down:
            case LensId::rate_up:
                return rates(out);
            case LensId::heard:
                return heard(bands, out);
            case LensId::contention:
                return contention(bands, out);
            case LensId::confidence:
                return confidences(out);
            case LensId::signal:
            case LensId::outside:
                break;
        }
        decibels(reduction_->best_cdbm, out);
    }

private:
    void take(BandSet bands) {
        const std::vector<AccessPointId> only = is_failure() ? std::vector<AccessPointId>() : choice_.only;
        if (bands.single() && only.empty()) {
            reduction_ = floor_.by_band[bands.first().index].get();
            return;
        }
        own_ = reduce(radios_, bands, cells_, only);
        reduction_ = &own_;
    }
    bool is_failure() const {
        return choice_.lens == LensId::failure || choice_.lens == LensId::failure_loss;
    }
    /// The strongest of those that go on. Of one failure, wherever it hurts most, that is the next-best at
    /// each place.
    const std::vector<std::int16_t>& left_after_failure(BandSet bands) {
        if (choice_.only.empty()) return reduction_->next_cdbm;
        std::vector<AccessPointId> others;
        for (const RadioField& f : radios_)
            if (std::ranges::count(choice_.only, f.access_point) == 0) others.push_back(f.access_point);
        left_.best_cdbm.assign(padded(cells_), silent_cdb);
        if (!others.empty()) left_ = reduce(radios_, bands, cells_, others);
        return left_.best_cdbm;
    }
    bool counts(const RadioField& f) const {
        return !f.field->silent &&
               (choice_.only.empty() ||
                std::find(choice_.only.begin(), choice_.only.end(), f.access_point) != choice_.only.end());
    }
    const std::int16_t* serving() const { return reduction_->serving.data(); }
    void decibels(const std::vector<std::int16_t>& level_cdbm, Plane& values) const {
        kernels::decibels(level_cdbm.data(), cells_, values.data());
    }
    template <class Value>
    void of_serving(const Value& value, Plane& values) const {
        kernels::of_serving(serving(), ByServer(radios_, no_value, value).data(), cells_, values.data());
    }
    ByServer noise() const {
        return ByServer(radios_, no_value, [](const RadioField& f) { return f.noise_cdbm; });
    }
    void above_noise(Plane& values) const {
        kernels::above_floor(reduction_->best_cdbm.data(), serving(), noise().data(), cells_, values.data());
    }
    /// Where nobody else is heard, all of the signal down to the noise is lost.
    void failure_loss(const std::vector<std::int16_t>& left_cdbm, Plane& values) const {
        kernels::lost_without(reduction_->best_cdbm.data(), left_cdbm.data(), serving(), noise().data(),
                              cells_, values.data());
    }
    void rates(Plane& values) const {
        const bool up = choice_.lens == LensId::rate_up;
        struct OfServer {
            RateTable::View table{};
            int shift_cdb = 0;  ///< from what arrives here to what arrives there
        };
        std::vector<OfServer> by_server(radios_.size());
        std::vector<std::shared_ptr<const RateTable>> held;
        for (std::size_t i = 0; i < cells_; ++i) {
            const int server = reduction_->serving[i];
            if (server < 0) {
                values[i] = no_value;
                continue;
            }
            OfServer& of = by_server[static_cast<std::size_t>(server)];
            if (!of.table.step) {
                const RadioField& f = radios_[static_cast<std::size_t>(server)];
                of.table = held.emplace_back(table(f, up))->view();
                if (up)
                    of.shift_cdb =
                        static_cast<int>(std::lround(100 * (choice_.client.power_dbm - f.power_dbm)));
            }
            values[i] = of.table.at(reduction_->best_cdbm[i] + of.shift_cdb);
        }
    }
    std::shared_ptr<const RateTable> table(const RadioField& f, bool up) const {
        for (const AccessPointModel& m : *floor_.models)
            if (m.id == f.model)
                return floor_.memo->rate_tables.of(
                    m.radios[f.radio], *radio_band(m, f.radio, f.band), f.channel, choice_.client,
                    up ? access_point_noise_figure_db : choice_.client.noise_figure_db);
        throw std::logic_error("a radio of a model that the project does not have");
    }
    /// The least gain with which a radio is heard.
    std::int16_t least_cdb(const RadioField& f) const {
        return static_cast<std::int16_t>(
            std::clamp(centi_db(choice_.heard_dbm) - f.offset_cdb, silent_cdb + 1, 32767));
    }
    void heard(BandSet bands, Plane& values) const {
        std::ranges::fill(values, 0.0f);
        for (const RadioField& f : radios_)
            if (bands.contains(f.band) && counts(f) && f.field->peak_cdb >= least_cdb(f))
                kernels::add_heard(f.field->gain_cdb.data(), least_cdb(f), cells_, values.data());
    }
    /// Channels beside each other leak a little: radios do not defer to that.
    static float share(const Channel& from, const Channel& to) {
        constexpr double leak = 0.05;
        const double part = overlap(from, to);
        return part < leak ? 0 : static_cast<float>(part);
    }
    /// Other radios than the serving one that are heard, by their share of its spectrum.
    void contention(BandSet bands, Plane& values) const {
        of_serving([](const RadioField&) { return 0; }, values);
        std::map<Channel, ByServer> weights;  // by what is sent on
        for (std::size_t k = 0; k < radios_.size(); ++k) {
            const RadioField& f = radios_[k];
            if (!bands.contains(f.band) || !counts(f) || f.field->peak_cdb < least_cdb(f)) continue;
            auto weight = weights.find(f.channel);
            if (weight == weights.end()) weight = weights.emplace(f.channel, weights_of(f.channel)).first;
            kernels::add_rival(f.field->gain_cdb.data(), least_cdb(f), static_cast<std::int16_t>(k),
                               serving(), weight->second.data(), cells_, values.data());
        }
    }
    ByServer weights_of(const Channel& from) const {
        std::map<Channel, float> known;
        return ByServer(radios_, 0, [&](const RadioField& server) {
            const auto [to, fresh] = known.try_emplace(server.channel, 0.0f);
            if (fresh) to->second = share(from, server.channel);
            return to->second;
        });
    }
    void confidences(Plane& values) const {
        std::ranges::fill(values, no_value);
        for (std::size_t i = 0; i < cells_; ++i) {
            const int server = reduction_->serving[i];
            if (server < 0) continue;
            const RadioField& f = radios_[static_cast<std::size_t>(server)];
            if (!f.deviation) continue;
            const double material_db = double{(*f.deviation)[f.band.index].at(i)};
            values[i] =
                static_cast<float>(100 * confidence(reduction_->best_cdbm[i] / 100.0, choice_.level_dbm,
                                                    total_deviation_db(material_db)));
        }
    }

    const FloorPrediction& floor_;
    const LensChoice& choice_;
    const std::vector<RadioField>& radios_;
    std::size_t cells_;
    const Reduction* reduction_ = nullptr;
    Reduction own_, left_;
};

/// Lenses that need all bands together: the strongest of all, or who is left when an access point fails.
bool is_joint(LensId id) {
    switch (id) {
        case LensId::snr:
        case LensId::rate_down:
        case LensId::rate_up:
        case LensId::contention:
        case LensId::confidence:
            return false;
        default:
            return true;
    }
}

void paint(const FloorPrediction& floor, const LensChoice& choice, Plane& out) {
    if (choice.bands.single() || is_joint(choice.lens))
        return Painter(floor, choice).joint(choice.bands, out);
    const bool more = lens(choice.lens).more_is_better;
    out.assign(floor.surface.cells(), no_value);
    Plane values;
    for (BandId id : choice.bands.list()) {
        Painter(floor, choice).joint(id, values);
        for (std::size_t i = 0; i < out.size(); ++i)
            if (std::isnan(out[i]) || (more ? values[i] > out[i] : values[i] < out[i])) out[i] = values[i];
    }
}

/// Of all that a choice looks at on a floor.
std::uint64_t plane_key(const FloorPrediction& floor, const LensChoice& choice) {
    ContentKey key;
    key.add(static_cast<int>(choice.lens)).add(choice.level_dbm).add(choice.heard_dbm);
    for (BandId id : choice.bands.list())
        key.add(int{id.index}).add(floor.band_keys[id.index]).add(choice.client.widest(id));
    for (AccessPointId id : choice.only) key.add(static_cast<std::uint64_t>(id.value));
    return key.add(std::hash<std::string>()(choice.client.standard))
        .add(choice.client.streams)
        .add(choice.client.power_dbm)
        .add(choice.client.noise_figure_db)
        .value();
}

}  // namespace

std::shared_ptr<const Plane> lens_plane(const FloorPrediction& floor, const LensChoice& choice) {
    PlaneStore& planes = floor.memo->lens_planes;
    const std::uint64_t key = plane_key(floor, choice);
    if (auto found = planes.find(key)) return found;
    Plane made = planes.take();
    paint(floor, choice, made);
    return planes.keep(key, std::move(made));
}

std::vector<float> lens_values(const FloorPrediction& floor, const LensChoice& choice) {
    Plane values;
    paint(floor, choice, values);
    return values;
}

std::vector<float> lens_change(const FloorPrediction& now, const std::vector<float>& values,
                               const FloorPrediction& before, const std::vector<float>& values_before,
                               const LensInfo& info) {
    const auto low = static_cast<float>(info.low);
    const auto held = [&](float v) { return std::isnan(v) ? low : std::max(v, low); };
    const bool same_grid = now.surface == before.surface;
    std::vector<float> change(values.size(), no_value);
    for (std::size_t i = 0; i < values.size(); ++i) {
        if (!now.mask->shown[i]) continue;
        const auto there = same_grid ? std::optional(i) : before.surface.cell_at(now.surface.centre(i));
        if (there && before.mask->shown[*there]) change[i] = held(values[i]) - held(values_before[*there]);
    }
    return change;
}

double total_deviation_db(double material_deviation_db) {
    constexpr double clear_db = 3, through_db = 5;
    return std::hypot(material_deviation_db > 0 ? through_db : clear_db, material_deviation_db);
}

double confidence(double predicted_dbm, double level_dbm, double deviation_db) {
    return 0.5 * (1 + std::erf((predicted_dbm - level_dbm) / (deviation_db * std::sqrt(2.0))));
}

}  // namespace yemvo
