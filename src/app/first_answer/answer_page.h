// SPDX-License-Identifier: GPL-3.0-or-later
// The first answer: what is chosen at the side, what follows from it on the sheet.
#pragma once
#include <QWidget>
#include <optional>

#include "app/model/workspace.h"
#include "capacity/first_answer.h"
#include "project/limits.h"

class QComboBox;
class QLabel;
class QPushButton;

namespace yemvo::app {

class AnswerSheet;
class RoughPlan;
class UnitField;

class AnswerPage : public QWidget {
    Q_OBJECT
public:
    explicit AnswerPage(Workspace&, QWidget* parent = nullptr);
    /// From the project as it is now.
    void begin();
    const std::optional<FirstAnswer>& answer() const { return answer_; }
    const AnswerWish& wish() const { return wish_; }
    /// What the answer is of: the project, or one made of length, width and people.
    const Project& of() const { return of_; }

signals:
    void left();
    void placed();

private:
    QWidget* make_head();
    QWidget* make_side();
    UnitField* number(QWidget* side, const QString& object, const QString& unit, Range,
                      std::function<double()> get, std::function<void(double)> set);
    void choose(const std::function<void(AnswerWish&)>& how);
    void work_out();
    void show_values();
    void place();
    bool from_zones() const;
    void keyPressEvent(QKeyEvent*) override;
    void paintEvent(QPaintEvent*) override;
    Workspace& workspace_;
    AnswerWish wish_;
    PlainSite plain_;
    bool by_size_ = false;
    Project of_;
    std::optional<FirstAnswer> answer_;
    AnswerSheet* sheet_ = nullptr;
    RoughPlan* plan_ = nullptr;
    QComboBox *from_ = nullptr, *hour_ = nullptr, *use_ = nullptr;
    std::vector<QComboBox*> widths_;
    QWidget* by_size_rows_ = nullptr;
    QPushButton* place_ = nullptr;
    std::vector<std::function<void()>> refreshes_;
};

}  // namespace yemvo::app
