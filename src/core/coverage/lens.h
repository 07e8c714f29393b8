// Lenses: the quantities that can be looked at as a map. One table describes each.
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace yemvo {

enum class LensId { signal, next_best, snr, serving };

struct LensInfo {
    LensId id;
    std::string key;   ///< in files and on the command line: "next_best"
    std::string name;  ///< on screen
    std::string unit;  ///< "dBm", "dB", ""
    double low, high;  ///< range of the legend
    double step;       ///< between contours
    double limit;      ///< where the threshold starts
    bool more_is_better;
    bool is_choice;       ///< values are numbers of access points, not amounts
    std::string meaning;  ///< one sentence
};

const std::vector<LensInfo>& lenses();
const LensInfo& lens(LensId);
std::optional<LensId> find_lens(std::string_view key);

}  // namespace yemvo
