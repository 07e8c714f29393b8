// SPDX-License-Identifier: GPL-3.0-or-later
// How wall types look in a list.
#pragma once
#include <QString>
#include <string_view>

class QAbstractItemDelegate;
class QObject;
class QWidget;

namespace yemvo::app {

class Workspace;

/// Rows with the sample, name and thickness of a type and its loss in each band; their data under
/// Qt::UserRole is the type's id, 0 for the head of a group.
QAbstractItemDelegate* type_delegate(Workspace&, QObject* parent);
/// The bands' names over the three figures of each row.
QWidget* band_heads();

}  // namespace yemvo::app
