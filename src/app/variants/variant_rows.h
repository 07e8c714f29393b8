// SPDX-License-Identifier: GPL-3.0-or-later
// What the table under variants side by side tells of them.
#pragma once
#include "app/maps_in_step/figures_table.h"
#include "app/variants/variant_map.h"

namespace yemvo::app {

/// A row a figure; the best of each is strong where they differ. Of a variant that is not worked out yet the
/// cells are empty.
std::vector<FiguresRow> variant_rows(const Project&,
                                     const std::vector<std::shared_ptr<const VariantResult>>&);

}  // namespace yemvo::app
