// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/error.h"

#include <algorithm>

namespace yemvo {

static Said sentence(const Said& what, const Said& where, const Said& remedy) {
    const Said text = where.empty() ? what : said_joined(": ", where, what);
    return remedy.empty() ? text : said_joined(". ", text, remedy);
}

/// what() ends at the first zero byte, which a name out of a broken file may have.
static std::string printable(std::string text) {
    std::replace(text.begin(), text.end(), '\0', '?');
    return text;
}

Error::Error(Said what, Said where, Said remedy)
    : std::runtime_error(printable(sentence(what, where, remedy).english())),
      summary_(std::move(what)),
      where_(std::move(where)),
      remedy_(std::move(remedy)) {}

Said Error::told() const { return sentence(summary_, where_, remedy_); }

}  // namespace yemvo
