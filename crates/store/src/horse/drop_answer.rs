//! Who looked at a side that went bad at once, and what came of it.

use cavesson_core::judge::DropAnswer;
use cavesson_core::ladder::{Level, RungId, SkillId};
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;
use crate::horse::known::Rows;
use crate::stored::read_word;

/// Keeps an answer; false when its id is known with other content.
///
/// # Errors
/// When the query fails.
pub async fn add(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    answer: &DropAnswer,
    made_by: Uuid,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "insert into drop_answer (barn_id, answer_id, horse_id, skill, rung, side, day, says, made_by)
         values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
         on conflict (barn_id, answer_id) do update set says = excluded.says
         where drop_answer.horse_id = excluded.horse_id and drop_answer.skill = excluded.skill
           and drop_answer.rung = excluded.rung and drop_answer.side = excluded.side
           and drop_answer.says = excluded.says",
        barn_id,
        answer.answer_id,
        horse_id,
        answer.level.skill.0,
        answer.level.rung.0,
        answer.side.word(),
        answer.day.to_sqlx() as _,
        answer.text.trim(),
        made_by
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// The answers about a horse, oldest first.
///
/// # Errors
/// When the query fails.
pub async fn of_horse(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Rows<DropAnswer>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select answer_id, skill, rung, side, day as "day: jiff_sqlx::Date", says
           from drop_answer where barn_id = $1 and horse_id = $2 order by made_at, answer_id"#,
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    let answers = rows.into_iter().map(|row| {
        Ok(DropAnswer {
            answer_id: row.answer_id,
            level: Level {
                skill: SkillId(row.skill),
                rung: RungId(row.rung),
            },
            side: read_word("side", &row.side, cavesson_core::Side::from_word)?,
            day: row.day.to_jiff(),
            text: row.says,
        })
    });
    Ok(Rows::of("drop answer", answers))
}
