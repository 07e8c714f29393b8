// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/requirement_words.h"

#include <cmath>
#include <set>

#include "coverage/lens.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render {

QString limit_words(const Requirement& r) {
    const auto id = find_lens(r.lens);
    if (!id) return {};
    const LensInfo& info = lens(*id);
    std::set<double> limits;
    for (BandId b : r.bands.list()) limits.insert(r.limit_in(b));
    QString text;
    for (double limit : limits)
        text += (text.isEmpty() ? "" : " / ") + figure(limit, limit == std::round(limit) ? 0 : 1);
    const bool one = limits.size() == 1 && *limits.begin() == 1 && info.unit == "radios";
    return (info.more_is_better ? QStringLiteral("≥ ") : QStringLiteral("≤ ")) + text + " " +
           (one ? tr("radio") : tr_mark(info.unit));
}

}  // namespace yemvo::render
