#include "coverage/lens_map.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <optional>
#include <tuple>

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
        // radios of one kind on channels of one width have one ladder
        std::map<std::tuple<ModelId, std::size_t, int, int>, Rates> kinds;
        struct OfRadio {
            const Rates* rates = nullptr;
            int shift_cdb = 0;  ///< from what arrives here to what arrives there
        };
        std::vector<OfRadio> of(radios_.size());
        return of_serving([&](std::size_t i, const RadioField& f) {
            OfRadio& radio = of[static_cast<std::size_t>(reduction_->serving[i])];
            if (!radio.rates) {
                const auto [kind, fresh] =
                    kinds.try_emplace({f.model, f.radio, int{f.band.index}, f.channel.width_mhz});
                if (fresh) kind->second = Rates(ladder(f, up));
                radio.rates = &kind->second;
                if (up)
                    radio.shift_cdb =
                        static_cast<int>(std::lround(100 * (choice_.client.power_dbm - f.power_dbm)));
            }
            return radio.rates->at(reduction_->best_cdbm[i] + radio.shift_cdb);
        });
    }
    /// A ladder with a step for each hundredth of a dB would be long: whole dB lead to the few steps within.
    class Rates {
    public:
        Rates() = default;
        explicit Rates(RateLadder ladder) : ladder_(std::move(ladder)) {
            for (int dbm = low_dbm; dbm <= high_dbm; ++dbm)
                at_dbm_[static_cast<std::size_t>(dbm - low_dbm)] =
                    static_cast<float>(ladder_->rate_mbps(dbm));
        }
        float at(int cdbm) const {
            const auto k = static_cast<std::size_t>(
                               std::clamp(cdbm - 100 * low_dbm, 0, 100 * (high_dbm - low_dbm) - 1)) /
                           100;
            // no step between two whole dB
            if (at_dbm_[k] == at_dbm_[k + 1]) return at_dbm_[k];
            return static_cast<float>(ladder_->rate_mbps(cdbm / 100.0));
        }

    private:
        static constexpr int low_dbm = -130, high_dbm = 30;
        std::optional<RateLadder> ladder_;
        std::array<float, high_dbm - low_dbm + 1> at_dbm_{};
    };
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
    /// Another radio on spectrum of a serving one: from which gain on it is heard, and how much it weighs.
    struct Rival {
        const std::int16_t* gain_cdb;
        int least_cdb;
        float weight;
    };
    std::vector<Rival> rivals(std::size_t serving) const {
        std::vector<Rival> list;
        for (std::size_t k = 0; k < radios_.size(); ++k) {
            const RadioField& f = radios_[k];
            if (k == serving || f.band != radios_[serving].band || !counts(f)) continue;
            if (const double share = shared(f.channel, radios_[serving].channel); share > 0)
                list.push_back(
                    {f.field->gain_cdb.data(), heard_from() - f.offset_cdb, static_cast<float>(share)});
        }
        return list;
    }
    /// Other radios than the serving one that are heard, by their share of its spectrum.
    std::vector<float> contention() const {
        std::vector<std::optional<std::vector<Rival>>> of(radios_.size());
        return of_serving([&](std::size_t i, const RadioField&) {
            auto& list = of[static_cast<std::size_t>(reduction_->serving[i])];
            if (!list) list = rivals(static_cast<std::size_t>(reduction_->serving[i]));
            float sum = 0;
            for (const Rival& r : *list) sum += r.gain_cdb[i] >= r.least_cdb ? r.weight : 0;
            return sum;
        });
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
