// SPDX-License-Identifier: GPL-3.0-or-later
// The colours of the maps, and of their difference, in one line.
#pragma once
#include <QWidget>

#include "render/map_choice.h"

namespace yemvo::app {

class CandidateLegend : public QWidget {
    Q_OBJECT
public:
    explicit CandidateLegend(QWidget* parent = nullptr);
    void show_choice(const render::MapChoice&);

protected:
    void paintEvent(QPaintEvent*) override;

private:
    void paint_strip(QPainter&, QRectF, const render::MapScale&, const QString& title, bool threshold) const;
    render::MapChoice choice_;
};

}  // namespace yemvo::app
