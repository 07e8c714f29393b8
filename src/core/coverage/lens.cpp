#include "coverage/lens.h"

#include <array>

namespace yemvo {

const std::vector<LensInfo>& lenses() {
    using enum LensGroup;
    using enum LensKind;
    static const std::vector<LensInfo> table{
        {LensId::signal, reach, amount, "signal", "Signal", "dBm", -90, 5, -67, true,
         "The strongest radio as the client receives it."},
        {LensId::next_best, reach, amount, "next_best", "Next-best signal", "dBm", -90, 5, -75, true,
         "The strongest radio of any other access point than the serving one: where a client can move on "
         "to."},
        {LensId::third, reach, amount, "third", "Third signal", "dBm", -90, 5, -75, true,
         "The third access point's signal: what locating devices and smooth roaming count on."},
        {LensId::snr, reach, amount, "snr", "SNR", "dB", 0, 5, 25, true,
         "The serving radio's signal over thermal noise in its channel's width."},
        {LensId::rate_down, service, amount, "rate_down", "Rate down", "Mbit/s", 0, 100, 100, true,
         "The PHY rate at which the serving radio can send to the chosen client here."},
        {LensId::rate_up, service, amount, "rate_up", "Rate up", "Mbit/s", 0, 100, 50, true,
         "The PHY rate at which the chosen client can send from here, with its own power."},
        {LensId::serving, reach, access_point, "serving", "Serving access point", "", 0, 1, 0, true,
         "Which access point is strongest here."},
        {LensId::serving_band, reach, band, "serving_band", "Serving band", "", 0, 1, 0, true,
         "Which of the chosen bands is strongest here."},
        {LensId::heard, air, amount, "heard", "Radios heard", "radios", 0, 1, 4, false,
         "How many radios arrive at the level from which one counts as heard (Details of the site), in all "
         "the "
         "chosen bands together."},
        {LensId::contention, air, amount, "contention", "Co-channel contention", "radios", 0, 0.5, 1, false,
         "How many other radios on the serving radio's spectrum are heard here and take turns with it, each "
         "counted "
         "by the share of spectrum."},
        {LensId::balance, service, amount, "balance", "Link balance", "dB", -6, 2, 6, false,
         "By how many dB the way up is weaker than the way down, since the client sends with less power."},
        {LensId::confidence, service, amount, "confidence", "Confidence", "%", 40, 5, 90, true,
         "How likely the signal asked for really holds here, given what walls and the model can be off by."},
        {LensId::failure, reach, amount, "failure", "Signal after a failure", "dBm", -90, 5, -75, true,
         "The signal that is left when the selected access points fail; with all shown, when at each place "
         "the one "
         "fails that it depends on most."},
        {LensId::failure_loss, reach, amount, "failure_loss", "Lost by a failure", "dB", 0, 3, 12, false,
         "By how many dB the signal falls when the selected access points fail; with all shown, the serving "
         "one."},
        {LensId::outside, air, amount, "outside", "Signal outside", "dBm", -100, 5, -80, false,
         "How strong the plan is heard outside the building, where it should not be."},
    };
    return table;
}

const LensInfo& lens(LensId id) { return lenses()[static_cast<std::size_t>(id)]; }

std::optional<LensId> find_lens(std::string_view key) {
    for (const LensInfo& info : lenses())
        if (info.key == key) return info.id;
    return std::nullopt;
}

std::string_view lens_group_name(LensGroup group) {
    static constexpr std::array<std::string_view, 3> names{"reach", "air", "service"};
    return names[static_cast<std::size_t>(group)];
}

}  // namespace yemvo
