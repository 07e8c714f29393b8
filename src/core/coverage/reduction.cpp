#include "coverage/reduction.h"

#include <cmath>

namespace yemvo {
namespace {

constexpr float no_value = std::numeric_limits<float>::quiet_NaN();

void merge(Reduction& r, const RadioField& radio, std::int16_t index, std::span<const RadioField> all) {
    if (radio.field->silent) return;
    const std::int16_t* gain = radio.field->gain_cdb.data();
    for (std::size_t i = 0; i < r.best_cdbm.size(); ++i) {
        if (gain[i] == silent_cdb) continue;
        const std::int32_t value = gain[i] + radio.offset_cdb;
        const bool same = r.serving[i] >= 0 &&
                          all[static_cast<std::size_t>(r.serving[i])].access_point == radio.access_point;
        if (value > r.best_cdbm[i]) {
            if (!same) r.next_cdbm[i] = r.best_cdbm[i];
            r.best_cdbm[i] = value;
            r.serving[i] = index;
            r.snr_cdb[i] = value - radio.noise_cdbm;
        } else if (!same && value > r.next_cdbm[i]) {
            r.next_cdbm[i] = value;
        }
    }
}

std::vector<float> decibels(const std::vector<std::int32_t>& hundredths) {
    std::vector<float> values(hundredths.size());
    for (std::size_t i = 0; i < values.size(); ++i)
        values[i] = hundredths[i] <= no_signal_cdb ? no_value : static_cast<float>(hundredths[i]) / 100.0f;
    return values;
}

}  // namespace

Reduction reduce(std::span<const RadioField> fields, BandId id, std::size_t cells) {
    Reduction r;
    r.best_cdbm.assign(cells, no_signal_cdb);
    r.next_cdbm.assign(cells, no_signal_cdb);
    r.snr_cdb.assign(cells, no_signal_cdb);
    r.serving.assign(cells, -1);
    for (const RadioField& f : fields) r.numbers.push_back(f.number);
    for (std::size_t k = 0; k < fields.size(); ++k)
        if (fields[k].band == id) merge(r, fields[k], static_cast<std::int16_t>(k), fields);
    return r;
}

std::vector<float> lens_values(const Reduction& r, LensId id) {
    switch (id) {
        case LensId::signal:
            return decibels(r.best_cdbm);
        case LensId::next_best:
            return decibels(r.next_cdbm);
        case LensId::snr:
            return decibels(r.snr_cdb);
        case LensId::serving:
            break;
    }
    std::vector<float> values(r.serving.size(), no_value);
    for (std::size_t i = 0; i < values.size(); ++i)
        if (r.serving[i] >= 0)
            values[i] = static_cast<float>(r.numbers[static_cast<std::size_t>(r.serving[i])]);
    return values;
}

}  // namespace yemvo
