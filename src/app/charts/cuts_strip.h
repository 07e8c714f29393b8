// SPDX-License-Identifier: GPL-3.0-or-later
// Both cuts of a pattern against each other where they look the same way: ahead and behind.
#pragma once
#include <QWidget>
#include <cmath>

#include "antenna/pattern/cuts.h"

namespace yemvo::app {

class CutsStrip : public QWidget {
    Q_OBJECT
public:
    explicit CutsStrip(QWidget* parent = nullptr);
    /// `within_db`: how far apart they may be.
    void show_cuts(const PatternCuts&, double within_db);
    /// What is drawn, in words.
    QString words() const;

protected:
    void paintEvent(QPaintEvent*) override;

private:
    void paint_side(QPainter&, const QRectF&, int middle_deg, const QString& name) const;
    double by_db(int degree) const { return cuts_.azimuth[degree] - cuts_.elevation[degree]; }
    bool agree(int degree) const { return std::abs(by_db(degree)) <= within_db_; }
    double reach_db() const;
    PatternCuts cuts_;
    double within_db_ = 1;
};

}  // namespace yemvo::app
