// SPDX-License-Identifier: GPL-3.0-or-later
// The colours of the maps, and of their difference, in one line.
#pragma once
#include <QWidget>

#include "render/map_choice.h"

namespace yemvo::app {

class StepLegend : public QWidget {
    Q_OBJECT
public:
    explicit StepLegend(QWidget* parent = nullptr);
    /// `difference`: also the colours of a difference of two maps.
    void show_choice(const render::MapChoice&, bool difference = true);

protected:
    void paintEvent(QPaintEvent*) override;

private:
    void paint_strip(QPainter&, QRectF, const render::MapScale&, const QString& title, bool threshold) const;
    render::MapChoice choice_;
    bool difference_ = true;
};

}  // namespace yemvo::app
