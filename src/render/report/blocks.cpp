// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/blocks.h"

namespace yemvo::render::report {

void Part::text(TextLook look, const QString& words) { blocks.emplace_back(TextBlock{look, words}); }
void Part::table(const TableBlock& block) { blocks.emplace_back(block); }

}  // namespace yemvo::render::report
