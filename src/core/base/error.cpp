// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/error.h"

namespace yemvo {

static std::string sentence(const std::string& what, const std::string& where, const std::string& remedy) {
    std::string text = where.empty() ? what : where + ": " + what;
    if (!remedy.empty()) text += ". " + remedy;
    return text;
}

Error::Error(std::string what, std::string where, std::string remedy)
    : std::runtime_error(sentence(what, where, remedy)),
      summary_(std::move(what)),
      where_(std::move(where)),
      remedy_(std::move(remedy)) {}

}  // namespace yemvo
