// SPDX-License-Identifier: GPL-3.0-or-later
// The tables of a wall type: measured losses by frequency, and layers.
#pragma once
#include <functional>
#include <vector>

#include "venue/wall_type.h"

class QTableWidget;

namespace yemvo::app {

/// Columns: GHz, low, typical, high.
void fill_losses(QTableWidget*, const std::vector<LossPoint>&);
/// As typed, by frequency. Throws Error that names column and row, or what does not fit together.
std::vector<LossPoint> losses_in(const QTableWidget*);

/// Columns: material, mm, ohms a square. `chosen` is told the row for which another material is chosen.
void fill_layers(QTableWidget*, const std::vector<Layer>&,
                 const std::function<void(std::size_t row, const Material&)>& chosen);
/// As typed; the materials stay. Throws Error that names column and row.
std::vector<Layer> layers_in(const QTableWidget*, std::vector<Layer>);

}  // namespace yemvo::app
