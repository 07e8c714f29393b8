// SPDX-License-Identifier: GPL-3.0-or-later
// Loss of a type against frequency and against angle.
#pragma once
#include <QWidget>

#include "venue/wall_type.h"

namespace yemvo::app {

class TypePlot : public QWidget {
    Q_OBJECT
public:
    enum class Against { frequency, angle };
    TypePlot(Against, QWidget* parent = nullptr);
    void show_type(const WallType&);
    /// What is told in words: for tests and screen readers.
    QString words() const;

protected:
    void paintEvent(QPaintEvent*) override;

private:
    double highest_db() const;
    void paint_axes(QPainter&, const QRectF&) const;
    Against against_;
    WallType type_;
};

}  // namespace yemvo::app
