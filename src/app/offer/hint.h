// SPDX-License-Identifier: GPL-3.0-or-later
// What can be done now, as the line at the foot says it.
#pragma once
#include <QString>
#include <vector>

namespace yemvo::app {

/// A key cap with what it does, or plain words.
struct HintPart {
    QString key, words;
};

struct Hint {
    QString what;  ///< tool or page
    std::vector<HintPart> parts;
};

}  // namespace yemvo::app
