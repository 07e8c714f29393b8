// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QString>

#include "project/requirement.h"

namespace yemvo::render {

/// "≥ −67 dBm", of several limits "≥ −67 / −65 dBm".
QString limit_words(const Requirement&);

}  // namespace yemvo::render
