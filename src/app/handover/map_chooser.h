// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QWidget>

#include "project/handover_book.h"
#include "render/map_choice.h"

class QCheckBox;
class QComboBox;

namespace yemvo::app {

/// As the project keeps them.
std::vector<ReportMap> as_chosen(const std::vector<render::MapChoice>&);

/// A lens and bands, to be added to a list of maps; and a button to take one out of it.
class MapChooser : public QWidget {
    Q_OBJECT
public:
    explicit MapChooser(QWidget* parent = nullptr);

signals:
    void chosen(const yemvo::ReportMap&);
    void removed();

private:
    QComboBox* lens_;
    std::vector<QCheckBox*> bands_;
};

}  // namespace yemvo::app
