#include "coverage/lens_map.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "wireless/link_budget.h"
#include "wireless/spectrum.h"

namespace yemvo {
namespace {

constexpr float no_value = std::numeric_limits<float>::quiet_NaN();

/// One lens over one set of bands.
class Painter {
public:
    Painter(const FloorPrediction& floor, const LensChoice& choice)
        : floor_(floor), choice_(choice), radios_(*floor.radios) {}

    std::vector<float> joint(BandSet bands) {
        take(bands);
        switch (choice_.lens) {
            case LensId::next_best:
                return decibels(reduction_->next_cdbm);
            case LensId::failure:
                return decibels(left_after_failure(bands));
            case LensId::third:
                return decibels(reduction_->third_cdbm);
            case LensId::snr:
                return of_serving([&](std::size_t i, const RadioField& f) {
                    return static_cast<float>(reduction_->best_cdbm[i] - f.noise_cdbm) / 100.0f;
                });
            case LensId::serving:
                return of_serving(
                    [](std::size_t, const RadioField& f) { return static_cast<float>(f.number); });
            case LensId::serving_band:
                return of_serving(
                    [](std::size_t, const RadioField& f) { return static_cast<float>(f.band.index); });
            case LensId::failure_loss:
                return failure_loss(left_after_failure(bands));
            case LensId::balance:
                return of_serving([&](std::size_t, const RadioField& f) {
                    return static_cast<float>(f.power_dbm - choice_.client.power_dbm);
                });
            case LensId::rate_down:
            case LensId::rate_up:
                return rates();
            case LensId::heard:
                return heard(bands);
            case LensId::contention:
                return contention();
            case LensId::confidence:
                return confidences();
            case LensId::signal:
            case LensId::outside:
                break;
        }
        return decibels(reduction_->best_cdbm);
    }

private:
    void take(BandSet bands) {
        const std::vector<AccessPointId> only = is_failure() ? std::vector<AccessPointId>() : choice_.only;
        if (bands.single() && only.empty()) {
            reduction_ = floor_.by_band[bands.first().index].get();
            return;
        }
        own_ = reduce(radios_, bands, floor_.surface.cells(), only);
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
        left_.best_cdbm.assign(floor_.surface.cells(), silent_cdb);
        if (!others.empty()) left_ = reduce(radios_, bands, floor_.surface.cells(), others);
        return left_.best_cdbm;
    }
    bool counts(const RadioField& f) const {
        return !f.field->silent &&
               (choice_.only.empty() ||
                std::find(choice_.only.begin(), choice_.only.end(), f.access_point) != choice_.only.end());
    }
    static std::vector<float> decibels(const std::vector<std::int16_t>& hundredths) {
        std::vector<float> values(hundredths.size());
        for (std::size_t i = 0; i < values.size(); ++i)
            values[i] = hundredths[i] == silent_cdb ? no_value : static_cast<float>(hundredths[i]) / 100.0f;
        return values;
    }
    template <class Value>
    std::vector<float> of_serving(Value value) const {
        std::vector<float> values(reduction_->serving.size(), no_value);
        for (std::size_t i = 0; i < values.size(); ++i)
            if (const int k = reduction_->serving[i]; k >= 0)
                values[i] = value(i, radios_[static_cast<std::size_t>(k)]);
        return values;
    }
    /// Where nobody else is heard, all of the signal down to the noise is lost.
    std::vector<float> failure_loss(const std::vector<std::int16_t>& left_cdbm) const {
        return of_serving([&](std::size_t i, const RadioField& f) {
            const int left = std::max<int>(left_cdbm[i], f.noise_cdbm);
            return static_cast<float>(std::max(0, reduction_->best_cdbm[i] - left)) / 100.0f;
        });
    }
    std::vector<float> rates() const {
        const bool up = choice_.lens == LensId::rate_up;
        std::vector<std::optional<RateLadder>> ladders(radios_.size());
        return of_serving([&](std::size_t i, const RadioField& f) {
            const auto k = static_cast<std::size_t>(reduction_->serving[i]);
            if (!ladders[k]) ladders[k] = ladder(f, up);
            const double there_dbm = reduction_->best_cdbm[i] / 100.0;
            return static_cast<float>(
                ladders[k]->rate_mbps(up ? there_dbm - f.power_dbm + choice_.client.power_dbm : there_dbm));
        });
    }
    RateLadder ladder(const RadioField& f, bool up) const {
        for (const AccessPointModel& m : *floor_.models)
            if (m.id == f.model)
                return {m.radios[f.radio], *radio_band(m, f.radio, f.band), f.channel, choice_.client,
                        up ? access_point_noise_figure_db : choice_.client.noise_figure_db};
        throw std::logic_error("a radio of a model that the project does not have");
    }
    std::int16_t heard_from() const { return centi_db(choice_.heard_dbm); }
    std::vector<float> heard(BandSet bands) const {
        std::vector<float> values(floor_.surface.cells(), 0.0f);
        for (const RadioField& f : radios_) {
            if (!bands.contains(f.band) || !counts(f)) continue;
            const int least = heard_from() - f.offset_cdb;
            const std::int16_t* gain = f.field->gain_cdb.data();
            for (std::size_t i = 0; i < values.size(); ++i) values[i] += gain[i] >= least ? 1.0f : 0.0f;
        }
        return values;
    }
    /// Other radios than the serving one that are heard, by their share of its spectrum.
    std::vector<float> contention() const {
        std::vector<float> values = of_serving([](std::size_t, const RadioField&) { return 0.0f; });
        for (std::size_t k = 0; k < radios_.size(); ++k) {
            const RadioField& f = radios_[k];
            if (!counts(f)) continue;
            bool any = false;
            std::vector<float> column(radios_.size(), 0.0f);  // what it weighs against each serving radio
            for (std::size_t s = 0; s < radios_.size(); ++s)
                if (s != k && radios_[s].band == f.band) {
                    column[s] = static_cast<float>(shared(f.channel, radios_[s].channel));
                    any = any || column[s] > 0;
                }
            if (!any) continue;
            const int least = heard_from() - f.offset_cdb;
            const std::int16_t* gain = f.field->gain_cdb.data();
            for (std::size_t i = 0; i < values.size(); ++i)
                if (const int s = reduction_->serving[i]; s >= 0 && gain[i] >= least)
                    values[i] += column[static_cast<std::size_t>(s)];
        }
        return values;
    }
    /// Channels beside each other leak a little: radios do not defer to that.
    double shared(const Channel& from, const Channel& to) const {
        constexpr double leak = 0.05;
        const auto [kept, fresh] = overlaps_.try_emplace({from, to}, 0.0);
        if (fresh) kept->second = overlap(from, to);
        return kept->second < leak ? 0 : kept->second;
    }
    std::vector<float> confidences() const {
        return of_serving([&](std::size_t i, const RadioField& f) {
            if (!f.deviation) return no_value;
            const double material_db = double{(*f.deviation)[f.band.index].at(i)};
            return static_cast<float>(100 * confidence(reduction_->best_cdbm[i] / 100.0, choice_.level_dbm,
                                                       total_deviation_db(material_db)));
        });
    }

    const FloorPrediction& floor_;
    const LensChoice& choice_;
    const std::vector<RadioField>& radios_;
    const Reduction* reduction_ = nullptr;
    Reduction own_, left_;
    mutable std::map<std::pair<Channel, Channel>, double> overlaps_;
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

}  // namespace

std::vector<float> lens_values(const FloorPrediction& floor, const LensChoice& choice) {
    if (choice.bands.single() || is_joint(choice.lens)) return Painter(floor, choice).joint(choice.bands);
    const bool more = lens(choice.lens).more_is_better;
    std::vector<float> best(floor.surface.cells(), no_value);
    for (BandId id : choice.bands.list()) {
        const auto values = Painter(floor, choice).joint(id);
        for (std::size_t i = 0; i < best.size(); ++i)
            if (std::isnan(best[i]) || (more ? values[i] > best[i] : values[i] < best[i]))
                best[i] = values[i];
    }
    return best;
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
