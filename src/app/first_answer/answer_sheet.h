// SPDX-License-Identifier: GPL-3.0-or-later
// The first answer as a sheet: figures, floors, bands, and how the count changes with what is chosen.
#pragma once
#include <QWidget>
#include <functional>

#include "capacity/first_answer.h"
#include "project/project.h"

namespace yemvo::app {

/// One value of what can be chosen, with the count that it gives.
struct AnswerTry {
    QString name;
    AnswerWish wish;
    int access_points = 0;
    bool short_of_channels = false;
    bool chosen = false;
};
struct AnswerChart {
    QString title, below;
    std::vector<AnswerTry> tries;
};

class AnswerSheet : public QWidget {
    Q_OBJECT
public:
    explicit AnswerSheet(QWidget* parent = nullptr);
    void show_answer(const Project&, const AnswerWish&, const FirstAnswer&);
    void show_nothing(const QString& why);
    const std::vector<AnswerChart>& charts() const { return charts_; }
    /// Where a bar stands, for tests.
    QRect bar(std::size_t chart, std::size_t value) const;
    QString words() const;  ///< what the cards say

signals:
    void tried(const yemvo::AnswerWish&);

private:
    struct Card {
        QString figure, unit, words;
    };
    std::vector<Card> cards() const;
    void paint_cards(QPainter&) const;
    void paint_floors(QPainter&) const;
    void paint_bands(QPainter&) const;
    void paint_charts(QPainter&) const;
    void make_charts();
    int floors_top() const;
    int bands_top() const;
    int charts_top() const;
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    Project project_;
    AnswerWish wish_;
    FirstAnswer answer_;
    QString nothing_;
    std::vector<AnswerChart> charts_;
};

/// Rule in words: "by airtime at 5 GHz".
QString rule_words(const AnswerZone&);

}  // namespace yemvo::app
