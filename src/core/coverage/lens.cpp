#include "coverage/lens.h"

namespace yemvo {

const std::vector<LensInfo>& lenses() {
    static const std::vector<LensInfo> table{
        {LensId::signal, "signal", "Signal", "dBm", -90, -30, 5, -67, true, false,
         "The strongest radio of the band as the client receives it."},
        {LensId::next_best, "next_best", "Next-best signal", "dBm", -90, -30, 5, -75, true, false,
         "The strongest radio of any other access point: what is left when the serving one fails or the "
         "client "
         "moves on."},
        {LensId::snr, "snr", "SNR", "dB", 0, 60, 5, 25, true, false,
         "The serving radio's signal over thermal noise in its channel's width."},
        {LensId::serving, "serving", "Serving access point", "", 0, 0, 1, 0, true, true,
         "Which access point is strongest here."},
    };
    return table;
}

const LensInfo& lens(LensId id) { return lenses()[static_cast<std::size_t>(id)]; }

std::optional<LensId> find_lens(std::string_view key) {
    for (const LensInfo& info : lenses())
        if (info.key == key) return info.id;
    return std::nullopt;
}

}  // namespace yemvo
